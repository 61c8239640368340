declare module 'mammoth/mammoth.browser.js' {
    export { default } from 'mammoth';
}
