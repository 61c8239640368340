import '../css/app.css';

// Only browsers that do not know the calendar themselves fetch somebody else's.
if (!('Temporal' in globalThis)) await import('temporal-polyfill/global');
await import('./app/start');
