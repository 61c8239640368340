/** Tells the site around the frame how high what is in it is, and nothing else: `public/frame.js` there makes room for it. */
function tell(): void {
    const height = Math.ceil(document.body.getBoundingClientRect().height);
    window.parent.postMessage({ pinnedRota: 'height', height }, '*');
}

if (window.parent !== window) new ResizeObserver(tell).observe(document.body);
