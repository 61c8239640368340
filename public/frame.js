// For a site that shows a published page in a frame: makes the frame as high as what is in it. It reads nothing of the site.
(() => {
    if (window.pinnedRotaFrames) return;
    window.pinnedRotaFrames = true;
    const [LEAST, MOST] = [120, 20000];
    window.addEventListener('message', (message) => {
        const told = message.data;
        if (told?.pinnedRota !== 'height' || !Number.isFinite(told.height)) return;
        for (const frame of document.querySelectorAll('iframe[data-height="content"]')) {
            // Of the frame that it is about, and from where that came alone.
            if (frame.contentWindow !== message.source || new URL(frame.src).origin !== message.origin) continue;
            frame.style.height = `${Math.min(Math.max(told.height, LEAST), MOST)}px`;
        }
    });
})();
