import { test as base, type BrowserContext, type CDPSession, type Page } from '@playwright/test'

/**
 * Tests that share a browser's page: it is emptied of everything that a test leaves, and what the browser knows of the
 * page’s code stays, which is most of what opening costs. Its day is always the same. A test that puts something else in
 * the page’s place before it opens, or asks for a screen that can be touched, is `onOwnPage`.
 */

/** `SLOWED=6 npm test`: pages have a sixth of the processor, so that what goes by the clock shows itself. */
const SLOWED = Number(process.env.SLOWED ?? 1)

async function slowed(page: Page): Promise<void> {
  if (SLOWED <= 1) return
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
}

const VIEWPORT = { width: 1280, height: 800 }

interface Opened {
  readonly page: Page
  readonly session: CDPSession
}

/** Of a worker; made anew after a test that failed. */
class SharedPage {
  private opened: Opened | undefined

  constructor(
    private readonly open: () => Promise<BrowserContext>,
    private readonly origin: string,
  ) {}

  async emptied(): Promise<Page> {
    const { page, session } = (this.opened ??= await this.anew())
    for (const other of page.context().pages()) if (other !== page) await other.close()
    page.removeAllListeners()
    await page.context().clearPermissions()
    await page.setViewportSize(VIEWPORT)
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'no-preference', media: 'screen' })
    // Of the same origin, so that the process stays that has the code.
    await page.goto('/icon.svg')
    await page.evaluate(() => sessionStorage.clear())
    await session.send('Storage.clearDataForOrigin', {
      origin: this.origin,
      storageTypes: 'indexeddb,local_storage',
    })
    await page.mouse.move(0, 0)
    return page
  }

  async close(): Promise<void> {
    const { opened } = this
    this.opened = undefined
    await opened?.page.context().close()
  }

  private async anew(): Promise<Opened> {
    const context = await this.open()
    context.on('page', (page) => void slowed(page).catch(() => undefined))
    const page = await context.newPage()
    // Plans begin in the month that is now.
    await page.clock.setSystemTime('2027-03-10T09:00:00Z')
    return { page, session: await context.newCDPSession(page) }
  }
}

export const test = base.extend<object, { sharedPage: SharedPage }>({
  sharedPage: [
    async ({ browser }, use, { project }) => {
      const { baseURL, timezoneId } = project.use
      const options = { baseURL: baseURL!, viewport: VIEWPORT, timezoneId: timezoneId! }
      const shared = new SharedPage(() => browser.newContext(options), options.baseURL)
      await use(shared)
      await shared.close()
    },
    { scope: 'worker' },
  ],
  page: async ({ sharedPage }, use, info) => {
    await use(await sharedPage.emptied())
    if (info.status !== info.expectedStatus) await sharedPage.close()
  },
  context: async ({ page }, use) => use(page.context()),
})

export const onOwnPage = base.extend({
  context: async ({ context }, use) => {
    context.on('page', (page) => void slowed(page).catch(() => undefined))
    await use(context)
  },
})
