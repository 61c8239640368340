import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { fileURLToPath } from 'node:url';
import { defineConfig, type Plugin } from 'vite';

/** The demo that runs beside `npm run dev`; all but the front end is asked of it. */
const DEMO = process.env.ROTA_DEMO_URL ?? 'http://127.0.0.1:8080';

const PAGE = `<!doctype html>
<html lang="en">
    <head>
        <meta charset="utf-8">
        <meta name="viewport" content="width=device-width, initial-scale=1">
        <title>Pinned Rota, as it is written</title>
    </head>
    <body>
        <div id="application"></div>
        <script type="module" src="/resources/js/main.tsx"></script>
    </body>
</html>`;

/** Every address that is none of the demo's is the application's, as resources/views/application.blade.php has it. */
const page: Plugin = {
    name: 'application-page',
    apply: 'serve',
    configureServer: (server) => () => {
        server.middlewares.use((request, response, next) => {
            if (request.headers.accept?.includes('text/html') !== true) return next();
            void server.transformIndexHtml(request.originalUrl ?? '/', PAGE).then((html) => response.setHeader('Content-Type', 'text/html').end(html), next);
        });
    },
};

const source = (path: string) => fileURLToPath(new URL(`resources/js/${path}`, import.meta.url));

/** What the first sheet needs, by its parts that begin it. */
const FIRST = ['app/start.tsx', 'features/rota/RotaPage.tsx'].map(source);

type Modules = { getModuleInfo: (id: string) => { importedIds: string[] } | null };

/** Everything that those import, however indirectly: in one file it is smaller, and asked for once, than in many. */
function isFirst(id: string, modules: Modules): boolean {
    if (first === null) {
        first = new Set(FIRST);
        for (const each of first) modules.getModuleInfo(each)?.importedIds.forEach((imported) => first?.add(imported));
    }
    return first.has(id);
}

let first: Set<string> | null = null;

export default defineConfig(({ command }) => ({
    plugins: [react(), tailwindcss(), page],
    base: command === 'build' ? '/build/' : '/',
    appType: 'custom',
    publicDir: false,
    resolve: { alias: { '@': fileURLToPath(new URL('resources/js', import.meta.url)) } },
    server: { host: '127.0.0.1', port: 5173, proxy: Object.fromEntries(['/api', '/feeds', '/public', '/p'].map((path) => [path, DEMO])) },
    build: {
        outDir: 'public/build',
        emptyOutDir: true,
        target: 'esnext',
        // Where Laravel looks for it.
        manifest: 'manifest.json',
        // The pages of the API and of what is published have styles alone.
        rollupOptions: {
            input: ['resources/js/main.tsx', 'resources/css/api.css', 'resources/css/published.css', 'resources/js/published/framed.ts', 'resources/js/published/screen.ts'],
            // How parts are loaded is apart: main.tsx needs it before the rest may run, which stands on what main.tsx sees to.
            output: { codeSplitting: { groups: [{ name: 'preload', test: /preload-helper/, priority: 2 }, { debugName: 'first', priority: 1, name: (id, modules) => (isFirst(id, modules) && !FIRST.includes(id) ? 'first' : null) }] } },
        },
    },
}));
