/*
 * What is there without a network: the application itself, and what was read last, where somebody stays signed in on this
 * device. The page opens the store of what was read where it may be kept (resources/js/offline), and this fills it; where
 * there is none, nothing is kept.
 */
const SHELL = 'rota-shell';
const READ = 'rota-read';

/** What may be told again: answers that the first sheets are made of. */
const KEPT = /^\/api\/v1\/(session|sheet|ruler|calendars|overlays|categories|groups|tasks|waiting|site|first-steps|jobs|events\/\d+)$/;

/** So many windows are kept, those that were read last. */
const MOST_WINDOWS = 60;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
    const { request } = event;
    const url = new URL(request.url);
    // A frame on another site has a session of its own, and nothing of it is kept.
    if (url.origin !== self.location.origin || request.headers.has('X-Rota-Frame')) return;
    // Whoever signs out leaves nothing behind, whatever becomes of the page.
    if (request.method === 'DELETE' && url.pathname === '/api/v1/session') return event.respondWith(signOut(request));
    if (request.method !== 'GET') return;
    if (request.mode === 'navigate' && !/^\/(api|feeds|public|p|asked|members|metrics|sitemap\.xml)\b/.test(url.pathname)) return event.respondWith(page(request));
    if (url.pathname.startsWith('/build/')) return event.respondWith(part(request));
    if (KEPT.test(url.pathname)) return event.respondWith(answer(request, url));
});

async function signOut(request) {
    const response = await fetch(request);
    if (response.ok) await caches.delete(READ);
    return response;
}

/** Every page is the same one. */
async function page(request) {
    const shell = await caches.open(SHELL);
    try {
        const response = await fetch(request);
        if (response.ok) await shell.put('/', response.clone());
        return response;
    } catch (error) {
        return (await shell.match('/')) ?? Promise.reject(error);
    }
}

/** A part of the application never changes under its name. */
async function part(request) {
    const shell = await caches.open(SHELL);
    const known = await shell.match(request);
    if (known !== undefined) return known;
    const response = await fetch(request);
    if (response.ok) await shell.put(request, response.clone());
    return response;
}

async function answer(request, url) {
    try {
        const response = await fetch(request);
        if (response.status === 401) await caches.delete(READ);
        else if (response.ok) await keep(request, response.clone(), url);
        return response;
    } catch (error) {
        const known = (await caches.has(READ)) ? await (await caches.open(READ)).match(request.url, { ignoreVary: true }) : undefined;
        return known ?? Promise.reject(error);
    }
}

async function keep(request, response, url) {
    if (!(await caches.has(READ))) return;
    const body = await response.text();
    // The session has ended: what was read by it goes, too.
    if (url.pathname === '/api/v1/session' && JSON.parse(body).person === null) return void (await caches.delete(READ));
    const read = await caches.open(READ);
    const headers = new Headers({ 'Content-Type': 'application/json', 'Kept-At': new Date().toISOString() });
    // Put anew, it is the last.
    await read.delete(request.url);
    await read.put(request.url, new Response(body, { headers }));
    const windows = (await read.keys()).filter((each) => /\/(sheet|ruler)\?/.test(each.url));
    await Promise.all(windows.slice(0, Math.max(0, windows.length - MOST_WINDOWS)).map((each) => read.delete(each)));
}
