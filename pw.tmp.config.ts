import base from './playwright.config'
export default { ...base, timeout: 300_000, expect: { timeout: 20_000 }, use: { ...base.use, actionTimeout: 8_000 } }
