import type { Page } from '@playwright/test'
import type Axe from 'axe-core'
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'

interface Looking {
  /** A selector of what is looked at; the whole page when absent. */
  readonly within?: string
  /** Only what another theme can change. */
  readonly coloursAlone?: boolean
}

const SOURCE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** What axe finds on the page, each with the elements that have it. Its code is put into each page once. */
export async function axeFindings(page: Page, { within, coloursAlone }: Looking = {}): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(SOURCE)
  return page.evaluate(
    async ({ within, coloursAlone }) => {
      const { axe } = window as unknown as { axe: typeof Axe }
      const { violations } = await axe.run(within ?? document, {
        // Only what is wrong is described; what is right would be thrown away.
        resultTypes: ['violations'],
        ...(coloursAlone && { runOnly: ['color-contrast'] }),
      })
      return violations.map(
        ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`,
      )
    },
    { within, coloursAlone },
  )
}
