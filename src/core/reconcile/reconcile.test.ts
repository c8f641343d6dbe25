import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import { focusCsv } from '../../files/focus/focusCsv.ts'
import { plannedBill } from '../../files/bill/plannedBill.ts'
import { readBill } from '../../files/bill/readBill.ts'
import { finishLater } from '../finish.ts'
import type { Machine } from '../machine/plan.ts'
import { toDecimal, trimDecimal } from '../quantity/decimal.ts'
import { add, compare, subtract, ZERO, type Exact } from '../quantity/exact.ts'
import { lengthOf } from '../quantity/units.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { pricedTogether } from '../testing/smallPlan.ts'
import { reconcile, type Reconciliation } from './reconcile.ts'
import type { Ties } from './tieLines.ts'
import { randomRuns } from '../testing/randomRuns.ts'

type Row = Record<string, string>

const OFFICE: Partial<Machine>[] = [
  { size: 'middle', off: 'deallocated', name: 'replay' },
  { size: 'middle', off: 'hibernated', address: 'fixed', name: 'kiosk' },
]

const PRICED = pricedTogether(OFFICE, RULE_BOOK)
const PLANNED = plannedBill(PRICED)
const [HOURS, DAYS] = (['hour', 'day'] as const).map(
  (grain) => Papa.parse<Row>(focusCsv(PRICED, grain), { header: true, skipEmptyLines: true }).data,
) as [Row[], Row[]]

const short = (value: Exact): string => trimDecimal(toDecimal(value, 6))

/** The plan’s own bill by the hour, changed, against the plan. */
async function against(
  change: (rows: readonly Row[]) => readonly Row[],
  { rows = HOURS, ties = undefined as Ties | undefined } = {},
): Promise<Reconciliation> {
  const text = Papa.unparse([...change(rows)])
  const files = [{ name: 'bill.csv', file: new Blob([text]) }]
  const read = await finishLater(readBill({ files, timeZone: 'Etc/UTC' }))
  if (!read.ok) throw new Error(JSON.stringify(read.issues))
  return reconcile({
    planned: PLANNED.lines,
    plannedResources: PLANNED.resources,
    billed: read.value.lines,
    resources: read.value.resources,
    month: lengthOf(PRICED[0]!.month),
    ...(ties && { ties }),
  })
}

const said = ({ causes }: Reconciliation): string[] =>
  causes
    .filter(({ amount }) => short(amount) !== '0')
    .map(({ code, of, meter, amount }) => [code, of, meter, short(amount)].filter(Boolean).join(' '))

const isTime = ({ SkuMeter }: Row): boolean => SkuMeter === 'compute'

const hour = (rows: readonly Row[], from: string, part: Row = {}): Row => ({
  ...rows.find((row) => isTime(row) && row.ResourceName === 'replay')!,
  ChargePeriodStart: `${from}:00:00Z`,
  ChargePeriodEnd: `${from.slice(0, 11)}${String(Number(from.slice(11)) + 1).padStart(2, '0')}:00:00Z`,
  EffectiveCost: '0.2067',
  PricingQuantity: '1',
  ConsumedQuantity: '1',
  ...part,
})

describe('why a bill is not what was planned', () => {
  test('the plan’s own bill has no cause', async () => {
    const found = await against((rows) => rows)
    expect(said(found)).toEqual([])
    expect(short(found.planned)).toBe(short(found.billed))
    expect(found.machines.map(({ machine }) => machine)).toEqual(['replay', 'kiosk'])
  })

  test('three hours on a Saturday that nobody planned, at 0.2067', async () => {
    const found = await against((rows) => [
      ...rows,
      ...['2027-03-06T10', '2027-03-06T11', '2027-03-06T12'].map((from) => hour(rows, from)),
    ])
    expect(said(found)).toEqual(['more-time replay machine-time 0.6201'])
    expect(found.causes[0]!.unit).toBe('time')
    expect(found.causes[0]!.days).toEqual([
      { day: '2027-03-06', planned: ZERO, billed: { n: expect.anything(), d: expect.anything() } },
    ])
    expect(short(found.causes[0]!.days![0]!.billed)).toBe('10800')
  })

  test('a day on which it did not run costs less, and never running is said once', async () => {
    const isFriday = ({ ChargePeriodStart }: Row): boolean => ChargePeriodStart!.startsWith('2027-03-05')
    const without = await against((rows) =>
      rows.filter((row) => !(isTime(row) && row.ResourceName === 'replay' && isFriday(row))),
    )
    expect(said(without)).toEqual(['less-time replay machine-time -2.067'])
    const never = await against((rows) => rows.filter(({ ResourceName }) => ResourceName !== 'replay'))
    expect(said(never)).toEqual(['never-billed replay -57.401'])
  })

  test('a price that rose on the ninth is a price, from that day on', async () => {
    const found = await against((rows) =>
      rows.map((row) =>
        isTime(row) && row.ResourceName === 'replay' && row.ChargePeriodStart! >= '2027-03-09'
          ? { ...row, EffectiveCost: String(Number(row.PricingQuantity) * 0.25), ContractedUnitPrice: '0.25' }
          : row,
      ),
    )
    // 17 working days of ten hours are left in the month, each hour 0.0433 dearer.
    expect(said(found)).toEqual(['price replay machine-time 7.361'])
    expect(found.causes[0]).toMatchObject({ since: '2027-03-09' })
    const { planned, billed } = found.causes[0]!.prices!
    expect([planned, billed].map((price) => short({ n: price.n * 3_600n, d: price.d }))).toEqual([
      '0.2067',
      '0.25',
    ])
  })

  test('costs rounded to the cent row by row are rounding, and nothing else', async () => {
    const found = await against((rows) =>
      rows.map((row) => ({ ...row, EffectiveCost: Number(row.EffectiveCost).toFixed(2) })),
    )
    expect(new Set(found.causes.map(({ code }) => code))).toEqual(new Set(['rounding']))
  })

  test('what is on one side alone: a left-over, a stranger, an address; tax, credit and corrections apart', async () => {
    const found = await against((rows) => {
      const own = hour(rows, '2027-03-06T10')
      const disk = rows.find(({ SkuMeter }) => SkuMeter === 'disk')!
      const address = rows.find(({ SkuMeter }) => SkuMeter?.startsWith('address'))!
      return [
        ...rows,
        { ...disk, ResourceName: 'kiosk-old', ResourceId: 'kiosk-old/disk-1', EffectiveCost: '8.07' },
        { ...own, ResourceName: 'spare-runner', ResourceId: 'spare-runner', EffectiveCost: '14.5' },
        { ...address, ResourceName: 'replay', EffectiveCost: '2' },
        { ...own, ChargeCategory: 'Tax', EffectiveCost: '3' },
        { ...own, ChargeCategory: 'Credit', EffectiveCost: '-5', ResourceId: '', ResourceName: '' },
        { ...own, ChargeClass: 'Correction', EffectiveCost: '-1' },
      ]
    })
    expect(said(found)).toEqual([
      'unplanned-machine spare-runner 14.5',
      'left-over kiosk-old 8.07',
      'credit -5',
      'tax replay 3',
      'not-planned replay address 2',
      'correction replay -1',
    ])
  })

  test('resources are tied by id, by a tag, or by what a person said', async () => {
    const renamed = (change: (row: Row) => Row) => (rows: readonly Row[]) =>
      rows.map((row) => (row.ResourceName === 'replay' ? change(row) : row))
    const byId = await against(
      renamed((row) => ({ ...row, ResourceName: '', ResourceId: `lab/REPLAY/${row.SkuMeter}` })),
    )
    const byTag = await against(
      renamed((row) => ({ ...row, ResourceName: '', ResourceId: 'i-1', Tags: '{"role":"replay"}' })),
    )
    const strange = renamed((row) => ({ ...row, ResourceName: 'vm 7', ResourceId: 'i-1' }))
    const bySaying = await against(strange, { ties: new Map([['i-1', 'replay']]) })
    expect([byId, byTag, bySaying].map(said)).toEqual([[], [], []])
    expect(said(await against(strange))).toEqual([
      'never-billed replay -57.401',
      'unplanned-machine vm 7 57.401',
    ])
  })

  test('units that cannot be compared leave the difference unexplained, and it is counted', async () => {
    const found = await against((rows) =>
      rows.map((row) => (isTime(row) ? { ...row, PricingUnit: 'Lumps', EffectiveCost: '0.5' } : row)),
    )
    expect(said(found).every((cause) => cause.startsWith('unexplained'))).toBe(true)
    expect(compare(found.unexplained, ZERO)).toBeGreaterThan(0)
  })

  test('whatever is done to a bill, its causes add up to the difference', async () => {
    const anyChange = fc.record({
      at: fc.nat(130),
      field: fc.constantFrom(
        'EffectiveCost',
        'PricingQuantity',
        'ContractedUnitPrice',
        'ResourceName',
        'ChargeCategory',
        'PricingUnit',
      ),
      value: fc.constantFrom('0', '1', '2.5', '-3', 'kiosk', 'else', 'Tax', 'Hours', 'GiB-Months', ''),
    })
    await fc.assert(
      fc.asyncProperty(fc.array(anyChange, { maxLength: 12 }), async (changes) => {
        const found = await against(
          (rows) =>
            rows.map((row, i) =>
              changes
                .filter(({ at }) => at * 7 === i)
                .reduce((all, { field, value }) => ({ ...all, [field]: value }), row),
            ),
          { rows: DAYS },
        )
        const sum = found.causes.reduce((total, { amount }) => add(total, amount), ZERO)
        expect(compare(sum, subtract(found.billed, found.planned))).toBe(0)
      }),
      randomRuns(8),
    )
  })
})
