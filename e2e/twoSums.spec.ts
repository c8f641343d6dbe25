import { expect, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import type { YearMonth } from '../src/core/calendar/yearMonth.ts'
import type { PriceBook } from '../src/core/catalogue/priceBook.ts'
import type { Machine, Plan } from '../src/core/machine/plan.ts'
import { PlanPricing } from '../src/core/meter/planPricing.ts'
import { planTotals } from '../src/core/meter/planTotals.ts'
import { roundTo } from '../src/core/quantity/decimal.ts'
import { toNumber } from '../src/core/quantity/exact.ts'
import { readPlan } from '../src/files/plan/planFile.ts'
import { readPriceBook } from '../src/files/priceBook/priceBookFile.ts'
import { EVERY_DAY, weekOf, windowsOn } from '../src/core/testing/weeks.ts'
import { VIEWS, type View } from '../src/screens/workbench/views.ts'
import { test } from './openedPage'
import { Workbench } from './workbench'

/** Every sentence on the screens that names two sums: each is held to an estimate of what the sentence says. */

const DEMO = 'data/larkspur-trams.json'
const BOOKS = ['fennmark', 'tidewright', 'plinthouse', 'quarry-row-2026-10', 'quarry-row-2027-07'].map(
  (name) => {
    const book = readPriceBook(readFileSync(`data/${name}.json`, 'utf8'))
    if (!book.ok) throw new Error(name)
    return book.value
  },
)

/** The demo with a tax, and with people who forget to switch off one of its weeks. */
function changedDemo(): { readonly text: string; readonly plan: Plan } {
  const file = JSON.parse(readFileSync(DEMO, 'utf8')) as { weeks: Record<string, unknown>[] }
  const text = JSON.stringify({
    ...file,
    taxPercent: '23',
    weeks: file.weeks.map((week) =>
      week.id === 'depot-day' ? { ...week, habits: { spreadMinutes: 30, forgottenPercent: 20 } } : week,
    ),
  })
  const read = readPlan(text)
  if (!read.ok) throw new Error(JSON.stringify(read.issues))
  return { text, plan: read.value }
}

const { text: PLAN_TEXT, plan: PLAN } = changedDemo()

interface Change {
  readonly books?: (book: PriceBook) => PriceBook
  readonly machines?: (machine: Machine) => Machine
  /** In the currency of the machine's provider, which a finding of its speaks. */
  readonly inBookMoney?: boolean
}

/** In cents: the plan's month, by each machine alone where one is named, with something changed in plan or books. */
function monthOf(
  month: YearMonth,
  only?: string,
  { books = same, machines = same, inBookMoney = false }: Change = {},
): number {
  const changed = PLAN.machines.map((machine) =>
    only === undefined || machine.name === only ? machines(machine) : machine,
  )
  const weeks = [
    ...PLAN.weeks,
    { ...weekOf('Etc/UTC', windowsOn(EVERY_DAY, '00:00-00:00')), id: 'never-off' },
    { ...weekOf('Etc/UTC', []), id: 'never-on' },
  ]
  const plan = { ...PLAN, machines: changed, weeks }
  const pricing = new PlanPricing({ plan, books: BOOKS.map(books), month, reading: 'calendar' })
  const shown = changed.filter(({ name }) => only === undefined || name === only)
  const estimates = shown
    .map((machine) => pricing.of(machine))
    .flatMap((each) => (each.ok ? [each.estimate] : []))
  const total = inBookMoney ? roundTo(estimates[0]!.total, 2) : planTotals(plan, estimates, month, 2).planned
  return Math.round(toNumber(total) * 100)
}

const same = <Value>(value: Value): Value => value

/** A machine on the week that is never off. */
const alwaysOn = (machine: Machine): Machine => ({ ...machine, week: 'never-off', off: 'running' })

/** Of Quarry Row’s two editions the first goes on, the second begins after it. */
const OF_EDITION = new Map([
  ['2026-10', { from: '2026-10-01' }],
  ['2027-07', { from: '2099-01-01' }],
])

const SUM = /[€$] ?([\d,]+(?:\.\d+)?)/g
const MONTHS = 'January February March April May June July August September October November December'.split(
  ' ',
)

interface Said {
  readonly text: string
  readonly month: YearMonth
  readonly machine: string
  /** Its sums, in cents. */
  readonly sums: readonly number[]
}

const namedMonth = (text: string): YearMonth => {
  const [, name, year] = /^(\w+) (\d{4})/.exec(text)!
  return `${year}-${String(MONTHS.indexOf(name!) + 1).padStart(2, '0')}` as YearMonth
}

/** What a sentence says and, from estimates of its own, what it should say: in cents. */
const SENTENCES: readonly (readonly [RegExp, (said: Said) => readonly number[]])[] = [
  [
    / planned, .* an hour, .* with 23 % tax$/,
    ({ month }) => [monthOf(month), Math.round(monthOf(month) * 1.23)],
  ],
  [
    /an hour, averaged over/,
    ({ month, machine, text }) => {
      const [, hours] = /averaged over (\d+) h/.exec(text)!
      const total = monthOf(month, machine)
      return [total, Math.round(total / Number(hours))]
    },
  ],
  [
    /^saved by switching off/,
    ({ month, machine }) => {
      const always = monthOf(month, machine, { machines: alwaysOn })
      return [always - monthOf(month, machine), always]
    },
  ],
  [
    /: the free allowance .* in place of .* with it,/,
    ({ text }) => {
      // Each is laid on those before it.
      const [, name] = /“(.*)”/.exec(text)!
      const lasting =
        (isEnded: (position: number, own: number) => boolean) =>
        (book: PriceBook): PriceBook => {
          const { freeAllowances: all } = book
          if (!all) return book
          const own = all.findIndex((each) => each.name === name)
          const freeAllowances = all.map((each, position) =>
            isEnded(position, own) ? each : { ...each, until: '2100-12-31' },
          )
          return { ...book, freeAllowances }
        }
      const month = namedMonth(text)
      return [
        monthOf(month, undefined, { books: lasting((position, own) => position <= own) }),
        monthOf(month, undefined, { books: lasting((position, own) => position < own) }),
      ]
    },
  ],
  [
    /^July 2027: Quarry Row by its edition .* in place of .* by what was before,/,
    ({ text }) => {
      const before = (book: PriceBook): PriceBook =>
        book.provider.id === 'quarry-row' ? { ...book, valid: OF_EDITION.get(book.edition)! } : book
      return [monthOf(namedMonth(text)), monthOf(namedMonth(text), undefined, { books: before })]
    },
  ],
  [
    /: the price book of Plinthouse, .* in place of .* by it,/,
    ({ text }) => {
      const lasting = (book: PriceBook): PriceBook =>
        book.provider.id === 'plinthouse' ? { ...book, valid: { from: book.valid!.from } } : book
      return [monthOf(namedMonth(text)), monthOf(namedMonth(text), undefined, { books: lasting })]
    },
  ],
  [/ is .* over .*, used up on /, ({ month }) => [monthOf(month) - 60_000, 60_000]],
  [
    /Stopped is not free: .* is kept and charged at .* an hour\./,
    (said) => {
      const { month, sums } = said
      const given = (machine: Machine): Machine => ({ ...machine, off: 'deallocated' })
      return [sums[0]!, monthOf(month, about(said)) - monthOf(month, about(said), { machines: given })]
    },
  ],
  [
    /Off all month it would still cost/,
    (said) => {
      const off = (machine: Machine): Machine => ({ ...machine, week: 'never-on' })
      const floor = monthOf(said.month, about(said), { machines: off, inBookMoney: true })
      return [floor, floor]
    },
  ],
  [
    /^between .* and .*; the plan is /,
    ({ month, machine, sums: [low, high] }) => {
      const plan = monthOf(month, machine)
      const most = monthOf(month, machine, { machines: alwaysOn })
      return [Math.min(low!, plan), Math.min(high!, most), plan]
    },
  ],
  [
    / a month, −[\d.]+ from now: /,
    ({ month, text }) => {
      const [, less] = / a month, −([\d.]+) from now: /.exec(text)!
      return [monthOf(month) - Math.round(Number(less) * 100), monthOf(month)]
    },
  ],
]

/** The machine that a finding names, or that is open. */
const about = ({ text, machine }: Said): string => /^\w+: ([\w-]+): /.exec(text)?.[1] ?? machine

/** The innermost texts of the page that name two sums, but for tables, charts, menus of choices and lists of such. */
const sentences = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const sums = (element: Element): number =>
      ((element as HTMLElement).innerText?.match(/[€$] ?[\d,]+(\.\d+)?/g) ?? []).length
    const isApart = (element: Element): boolean =>
      element.closest(
        'table, [role=grid], [role=treegrid], svg, script, .recharts-wrapper, [data-testid=field]',
      ) !== null || /^(?:UL|OL|DL|MAIN)$/.test(element.tagName)
    return [...document.querySelectorAll('body *')].flatMap((element) =>
      isApart(element) || sums(element) < 2 || [...element.children].some((child) => sums(child) > 1)
        ? []
        : [(element as HTMLElement).innerText.replaceAll(/\s+/g, ' ').trim()],
    )
  })

test('each sentence that names two sums says what both are', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open('/?view=bench&month=2027-03')
  await page.getByLabel('Plan, price book or inventory to import').setInputFiles({
    name: 'changed.plan.json',
    mimeType: 'application/json',
    buffer: Buffer.from(PLAN_TEXT),
  })
  await expect(bench.undo).toBeVisible()
  const met = new Set<RegExp>()
  const walk = async (view: View, month: YearMonth, machine: string): Promise<void> => {
    await bench.turnTo(`/?view=${view}&month=${month}&machine=${machine}`)
    await bench.priced()
    await bench.viewSettled(view)
    for (const text of await sentences(page)) {
      const [pattern, should] = SENTENCES.find(([each]) => each.test(text)) ?? []
      const sums = [...text.matchAll(SUM)].map(([, sum]) =>
        Math.round(Number(sum!.replaceAll(',', '')) * 100),
      )
      // The gaps of a week are rows of buttons; each is held where it is pressed.
      if (/^[€$] [\d.]+ [+−]€ [\d.]+ a month$/.test(text)) continue
      const said = { text, month, machine, sums: sums.slice(0, 3) }
      expect([view, text, should ? sums.slice(0, should(said).length) : 'not known']).toEqual([
        view,
        text,
        should?.(said),
      ])
      met.add(pattern!)
    }
  }
  for (const view of ['bench', 'mix'] as const) await walk(view, '2027-10' as YearMonth, 'signal-replay')
  for (const { id } of VIEWS) await walk(id, '2027-03' as YearMonth, 'signal-replay')
  for (const id of ['gauge', 'week', 'month'] as const)
    await walk(id, '2027-03' as YearMonth, 'crew-roster-db')
  expect(SENTENCES.filter(([pattern]) => !met.has(pattern)).map(String)).toEqual([])
})
