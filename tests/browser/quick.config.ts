import base from './playwright.config';
export default { ...base, expect: { timeout: 8000 }, timeout: 120000, retries: 0, use: { ...base.use, actionTimeout: 8000 } };
