import { expect, type Download, type Locator, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import type { View } from '../src/screens/workbench/views.ts'

/** Views that work something out once they are shown, by their test id. */
const WORKED_OUT: Partial<Record<View, string>> = { bench: 'bench', market: 'market', mix: 'mix-screen' }

/** How the tests speak of the screen: by what a person sees and hears. */
export class Workbench {
  constructor(readonly page: Page) {}

  /** Opens a screen and waits until the whole plan is priced. Fails the test on any error the page reports. */
  async open(path = '/?view=gauge'): Promise<void> {
    this.page.on('pageerror', (error) => {
      throw error
    })
    this.page.on('console', (message) => {
      if (message.type() === 'error' && !message.text().includes('404')) throw new Error(message.text())
    })
    await this.page.goto(path)
    await this.priced()
  }

  /** Goes to another address on the page that is open, as a press on a link does; much quicker than opening it anew. */
  async turnTo(address: string): Promise<void> {
    const asked = [...new URLSearchParams(address.slice('/?'.length))]
    await this.page.evaluate((to) => window.history.pushState(null, '', to), address)
    const following = this.page.getByTestId('following')
    const shown = async () =>
      new URLSearchParams((await following.getAttribute('data-shows'))?.slice('/?'.length))
    await expect
      .poll(async () => {
        const all = await shown()
        return asked.filter(([field, value]) => all.get(field) !== value)
      })
      .toEqual([])
    await this.settled()
  }

  /** From the demo to an empty plan on the invented books, at its bench. */
  async startOnInvented(): Promise<void> {
    await this.page.getByRole('button', { name: 'Start with my prices' }).click()
    await this.page.getByRole('button', { name: 'Take the invented books' }).click()
    await expect(this.page.getByRole('grid', { name: 'Sizes' })).toBeVisible()
    await this.page.getByRole('link', { name: 'Bench' }).click()
  }

  async priced(): Promise<void> {
    await expect(this.page.getByTestId('plan-totals')).toHaveAttribute('aria-busy', 'false')
  }

  /** Waits until every change is in the browser's storage. */
  async saved(): Promise<void> {
    await expect(this.page.getByTestId('saved')).toHaveText('All changes are saved')
  }

  /** Loads the page anew, as a person would who has let it save. */
  async reload(): Promise<void> {
    await this.saved()
    await this.page.reload()
    await this.priced()
  }

  /** Waits until a view shows all that it works out after the figures. */
  async viewSettled(view: View): Promise<void> {
    await this.settled()
    if (view === 'week') {
      await expect(this.page.getByRole('region', { name: 'What to be in each gap' })).toBeVisible()
      await expect(this.page.getByRole('region', { name: 'Next to this week' })).not.toHaveAttribute(
        'aria-busy',
      )
    }
    const asked = WORKED_OUT[view]
    if (asked) await expect(this.page.getByTestId(asked)).toHaveAttribute('aria-busy', 'false')
  }

  machine(name: string): Locator {
    return this.page.getByRole('option', { name })
  }

  plate(name: string): Locator {
    return this.page.getByRole('group', { name, exact: true })
  }

  slider(name: string): Locator {
    return this.page.getByRole('slider', { name, exact: true })
  }

  /** Waits until every part of the page shows the last edit. */
  async settled(): Promise<void> {
    await expect(this.page.getByTestId('following')).toHaveAttribute('data-behind', 'false')
  }

  /** In the currency of its provider, which stands beside that of the plan where it is another. */
  async total(): Promise<number> {
    await this.settled()
    const text = await this.page.getByTestId('machine-total').innerText()
    const [, own = text] = /\((.*)\)/.exec(text) ?? []
    return Number(own.replace(/[^0-9.]/g, ''))
  }

  /** The machine's total to the last digit, as the screen shows it. */
  async exactTotal(): Promise<string> {
    await this.settled()
    return (await this.page.getByTestId('machine-total-exact').innerText()).replaceAll(',', '')
  }

  async planTotal(): Promise<string> {
    return this.page.getByTestId('plan-totals').innerText()
  }

  get undo(): Locator {
    return this.page.getByRole('button', { name: /^Undo: / })
  }

  get nothingToUndo(): Locator {
    return this.page.getByRole('button', { name: 'Nothing to undo' })
  }

  get grid(): Locator {
    return this.page.getByTestId('week-grid')
  }

  /** Where on the page a time of the week stands. Day 0 is Monday. */
  async at(day: number, hour: number): Promise<{ x: number; y: number }> {
    const box = (await this.grid.boundingBox())!
    return { x: box.x + (hour / 24) * box.width, y: box.y + ((day + 0.5) / 7) * box.height }
  }

  /** Paints from one time of the week to another: day and hour each. What comes above may move the grid meanwhile. */
  async paint(from: readonly [number, number], to: readonly [number, number]): Promise<void> {
    const start = await this.at(...from)
    await this.page.mouse.move(start.x, start.y)
    await this.page.mouse.down()
    const end = await this.at(...to)
    await this.page.mouse.move((start.x + end.x) / 2, (start.y + end.y) / 2)
    await this.page.mouse.move(end.x, end.y)
    await this.page.mouse.up()
  }

  async choosePlanMenu(entry: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Plan', exact: true }).click()
    await this.page.getByRole('menuitem', { name: entry }).click()
  }
}

/** Pairs of labels or targets of one plate whose boxes meet, and slots that stand too close to press apart. */
export function overlappingLabels(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll('[data-plate]')].flatMap((plate) => {
      const boxes = [...plate.querySelectorAll('button, svg text')].map((item) => ({
        text: item.textContent || (item.getAttribute('aria-label') ?? ''),
        kind: item.tagName,
        box: item.getBoundingClientRect(),
      }))
      const slots = (plate.querySelector('[data-slots]')?.getAttribute('data-slots') ?? '')
        .split(' ')
        .map(Number)
      const crowded = slots.filter((x, i) => i > 0 && x - slots[i - 1]! < 25).map((x) => `slot at ${x}`)
      const meeting = boxes.flatMap((a, i) =>
        boxes
          .slice(i + 1)
          .filter((b) => a.kind === b.kind)
          .filter(
            (b) =>
              Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left) > 1 &&
              Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top) > 1,
          )
          .map((b) => `${a.text} over ${b.text}`),
      )
      return [...crowded, ...meeting]
    }),
  )
}

/** A shown amount in cents. */
export const cents = (text: string): number =>
  Math.round(Number(text.replace('−', '-').replace(/[^0-9.-]/g, '')) * 100)

/** Gives the page a table of machines, as if it were dropped. */
export async function chooseTable(page: Page, name: string, text: string): Promise<void> {
  await page
    .getByLabel('Plan, price book or inventory to import')
    .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
}

/** Chooses from a dropdown. */
export async function pick(page: Page, label: string, option: string | RegExp): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`${label}$`) }).click()
  await page.getByRole('option', { name: option }).click()
}

/** Says above a column what it is. */
export async function pickColumn(page: Page, column: string, role: string | RegExp): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^What ${column} is: `) }).click()
  await page.getByRole('option', { name: role, exact: true }).click()
  const open = page.getByRole('dialog', { name: `What ${column} is` })
  if (await open.isVisible()) await page.keyboard.press('Escape')
}

/** The text of the file that something saves. */
export async function saved(page: Page, act: () => Promise<void>): Promise<string> {
  const [file] = await Promise.all([page.waitForEvent('download'), act()])
  return readFileSync(await (file as Download).path(), 'utf8')
}

/** Waits until all of the bench is worked out. */
export const overviewDone = (page: Page) =>
  expect(page.getByTestId('bench')).toHaveAttribute('aria-busy', 'false')

/** Begins a provider of one's own on an empty plan in March 2027, at its empty sheet of prices. */
export async function beginSaltmarsh(page: Page): Promise<Workbench> {
  const bench = new Workbench(page)
  await bench.open('/')
  await page.getByRole('button', { name: 'Start with my prices' }).click()
  await page.getByLabel('Provider').fill('Saltmarsh')
  await page.getByLabel('Place').fill('Fallow Quay')
  await page.getByRole('button', { name: 'Type its prices' }).click()
  await expect(page.getByRole('grid', { name: 'Sizes' })).toBeVisible()
  return bench
}
