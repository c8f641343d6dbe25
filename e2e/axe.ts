import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'

interface Looking {
  /** A selector of what is looked at; the whole page when absent. */
  readonly within?: string
  /** Only what another theme can change. */
  readonly coloursAlone?: boolean
}

/** What axe finds on the page, each with the elements that have it. */
export async function axeFindings(page: Page, { within, coloursAlone }: Looking = {}): Promise<string[]> {
  const builder = new AxeBuilder({ page })
    // Only what is wrong is described; what is right would be thrown away.
    .options({ resultTypes: ['violations'], ...(coloursAlone && { runOnly: ['color-contrast'] }) })
    // There are no frames, whose findings it would else put together on a page of its own.
    .setLegacyMode()
  if (within !== undefined) builder.include(within)
  const { violations } = await builder.analyze()
  return violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`,
  )
}
