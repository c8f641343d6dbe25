import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Machine } from '../core/machine/plan.ts'
import { parseDecimal, toDecimal } from '../core/quantity/decimal.ts'
import { add, ZERO } from '../core/quantity/exact.ts'
import { gib } from '../core/quantity/units.ts'
import { OFFICE_WEEK } from '../core/testing/resolved.ts'
import { RULE_BOOK } from '../core/testing/ruleBook.ts'
import { SMALL_MACHINE } from '../core/testing/smallBook.ts'
import type { EstimateReport } from '../files/estimate/estimateReport.ts'
import { writePlan } from '../files/plan/planFile.ts'
import { writePriceBook } from '../files/priceBook/priceBookFile.ts'
import { estimateAnswer } from '../server/estimateAnswer.ts'
import { marketServiceAnswer } from '../server/marketServiceAnswer.ts'
import { CommandRun } from './CommandRun.ts'
import { runMarket } from './market.ts'
import { runCommand } from './runCommand.ts'

const sizes = RULE_BOOK.prices.east!.sizes

/** The book of rules with what it leaves out: a minimum, pools, a rebate or bands of hours, bands of room. */
const book = (billing: Partial<PriceBook['billing']>, bands: boolean): PriceBook => ({
  ...RULE_BOOK,
  billing: { ...RULE_BOOK.billing, minimumSeconds: 60, incrementSeconds: 3_600, ...billing },
  freeAllowances: [
    { id: 'trial', eligible: ['free', 'small'], hoursPerMonth: 40, until: '2027-03-10' },
    { id: 'always', eligible: ['free'], hoursPerMonth: 60, until: '2099-12-31' },
    { id: 'room', eligible: [], eligibleKinds: ['gib'], gibPerMonth: gib(30), until: '2099-12-31' },
  ],
  prices: {
    ...RULE_BOOK.prices,
    west: { ...RULE_BOOK.prices.west!, memoryImagePerGiBMonth: '0.05' },
    east: {
      ...RULE_BOOK.prices.east!,
      sizes: bands
        ? {
            ...sizes,
            tenth: { perHourBands: [{ upTo: 100, price: '0.1' }, { price: '0.08' }] },
            middle: { ...sizes.middle!, licences: { seal: { perMonth: '9' } } },
          }
        : sizes,
      disks: {
        ...RULE_BOOK.prices.east!.disks,
        ...(bands && { gib: { perGiBMonthBands: [{ upTo: 40, price: '0.08' }, { price: '0.06' }] } }),
      },
    },
  },
})

const BOOKS: readonly (readonly [string, PriceBook])[] = [
  ['a minimum that is reached', book({ minimumPerMachineMonth: '60' }, true)],
  [
    'a rebate',
    book(
      {
        longRunRebate: [
          { upToShare: '0.2', rateShare: '1' },
          { upToShare: '1', rateShare: '0.8' },
        ],
      },
      false,
    ),
  ],
]

const snapshots = { every: 'stop', kept: 2, changedPercent: 10 } as const
const goes = { kind: 'gib', roomGiB: gib(50), goes: true, snapshots } as const
const own = { kind: 'own', roomGiB: gib(60) } as const
const bought = {
  kind: 'bought',
  roomGiB: gib(40),
  extraIops: 1_000,
  extraMegabytesPerSecond: 50,
  operationsPerMonth: 40_000,
}

const PARTS: readonly Partial<Machine>[] = [
  { size: 'free' },
  { size: 'free', off: 'running' },
  { size: 'tenth', off: 'deallocated', dataDisks: [bought] },
  { size: 'by-second', address: 'fixed', trafficOutGiB: gib(200) },
  { size: 'cores', off: 'hibernated' },
  { size: 'choice', chosen: { vcpu: 4, memoryGiB: gib(16) }, off: 'stopped' },
  { size: 'flat', systemDisk: own, terms: 'flat', trafficOutGiB: gib(150) },
  { size: 'flat', systemDisk: own, terms: 'monthly' },
  { size: 'small', off: 'deleted', systemDisk: goes, firstDay: '2027-03-09', lastDay: '2027-03-26' },
  { image: 'sealed', ownLicence: true, systemDisk: { kind: 'gib', roomGiB: gib(50) } },
  { image: 'sealed' },
  { image: 'supported' },
  ...['spot', 'year', 'year-part', 'years-all'].map((terms) => ({ terms })),
]

const folder = mkdtempSync(join(tmpdir(), 'notchgauge-rules-'))

async function said(run: (run: CommandRun) => number | Promise<number>) {
  const out = { stdout: '', stderr: '' }
  const status = await run(
    new CommandRun(
      (text) => (out.stdout += text),
      (text) => (out.stderr += text),
    ),
  )
  return { status, ...out }
}

describe.each(BOOKS)('every answer can be made of a month with %s', (name, rules) => {
  const plan = {
    id: 'rules',
    name: 'Rules',
    month: '2027-03' as YearMonth,
    weeks: [OFFICE_WEEK],
    machines: PARTS.map((part, i) => ({ ...SMALL_MACHINE, name: `machine-${i}`, ...part })),
    exchangeRates: [],
  }
  const [planFile, bookFile] = [join(folder, `${name}-plan.json`), join(folder, `${name}-book.json`)]
  const texts = { plan: writePlan(plan), book: writePriceBook(rules) }
  writeFileSync(planFile, texts.plan)
  writeFileSync(bookFile, texts.book)
  const question = ['--plan', planFile, '--book', bookFile, '--month', '2027-03']

  test.each(['table', 'json', 'csv', 'markdown', 'focus'])('estimate as %s', async (format) => {
    const { status, stdout, stderr } = await said((run) => runCommand([...question, '--format', format], run))
    expect([status, stderr]).toEqual([0, ''])
    if (format !== 'json') return expect(stdout).toContain('machine-3')
    const { machines } = JSON.parse(stdout) as EstimateReport
    for (const { lines, total, secondsByPhase } of machines) {
      const sum = lines.reduce((all, { amount }) => add(all, parseDecimal(amount)!), ZERO)
      expect(toDecimal(sum, 12)).toBe(toDecimal(parseDecimal(total)!, 12))
      expect(Object.values(secondsByPhase).reduce((all, time) => all + time, 0)).toBe(744 * 3_600)
    }
  })

  test.each(['table', 'json', 'csv'])('market as %s', async (format) => {
    const { status, stdout } = await said((run) =>
      runMarket([...question, '--machine', 'machine-3', '--format', format], run),
    )
    expect([status, stdout.length > 100]).toEqual([0, true])
  })

  test('comparison and check', async () => {
    const compared = await said((run) =>
      runCommand(['compare', planFile, planFile, ...question.slice(2)], run),
    )
    expect([compared.status, compared.stderr]).toEqual([0, ''])
    const checked = await said((run) => runCommand(['check', ...question], run))
    expect(checked.stdout).toMatch(/\d+ open/)
  })

  test('the service', () => {
    const asked = { plan: JSON.parse(texts.plan), books: [JSON.parse(texts.book)], month: '2027-03' }
    const estimate = estimateAnswer(JSON.stringify(asked))
    expect([estimate.status, JSON.stringify(estimate.body).length > 1_000]).toEqual([200, true])
    const market = marketServiceAnswer(JSON.stringify({ ...asked, machine: 'machine-3' }))
    expect([market.status, JSON.stringify(market.body).length > 1_000]).toEqual([200, true])
  })
})
