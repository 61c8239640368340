import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
    plugins: [react(), tailwindcss()],
    base: '/build/',
    publicDir: false,
    build: {
        outDir: 'public/build',
        emptyOutDir: true,
        // Where Laravel looks for it.
        manifest: 'manifest.json',
        rollupOptions: { input: 'resources/js/main.tsx' },
    },
});
