import fc from 'fast-check'
import { gzipSync, zipSync } from 'fflate'
import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import { toDecimal, trimDecimal } from '../../core/quantity/decimal.ts'
import { add, ZERO, type Exact } from '../../core/quantity/exact.ts'
import { RULE_BOOK } from '../../core/testing/ruleBook.ts'
import { pricedTogether } from '../../core/testing/smallPlan.ts'
import { focusCsv } from '../focus/focusCsv.ts'
import { finishLater } from '../../core/finish.ts'
import { readBill, type BillReading } from './readBill.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

const utf8 = (text: string): Uint8Array<ArrayBuffer> => new TextEncoder().encode(text)
const file = (name: string, bytes: Uint8Array): { name: string; file: Blob } => ({
  name,
  file: new Blob([bytes as Uint8Array<ArrayBuffer>]),
})

const read = (files: readonly { name: string; file: Blob }[], timeZone = 'Etc/UTC') =>
  finishLater(readBill({ files, timeZone }))

async function readText(...texts: string[]): Promise<BillReading> {
  const outcome = await read(texts.map((text, i) => file(`part-${i}.csv`, utf8(text))))
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return outcome.value
}

async function refused(...files: { name: string; file: Blob }[]): Promise<string> {
  const outcome = await read(files)
  if (outcome.ok) throw new Error('was read')
  return outcome.issues.map(({ problem, expected }) => `${problem} Expected: ${expected}`).join('\n')
}

const short = (value: Exact): string => trimDecimal(toDecimal(value, 12))

const ROW = {
  BillingPeriodStart: '2027-03-01T00:00:00Z',
  ChargePeriodStart: '2027-03-05T08:00:00Z',
  ChargePeriodEnd: '2027-03-05T09:00:00Z',
  BillingCurrency: 'EUR',
  BilledCost: '0.2067',
  EffectiveCost: '0.2067',
  ListUnitPrice: '0.2067',
  PricingQuantity: '1',
  PricingUnit: 'Hours',
  ConsumedQuantity: '1',
  ConsumedUnit: 'Hours',
  ChargeCategory: 'Usage',
  ChargeClass: '',
  ServiceCategory: 'Compute',
  ServiceName: 'Machines',
  SkuMeter: 'machine hours',
  SkuPriceDetails: '{"InstanceType":"heron-4-16"}',
  ResourceId: 'vm-1',
  ResourceName: 'replay',
  Tags: '{"team":"trams"}',
}

const csv = (...rows: Partial<typeof ROW>[]): string => Papa.unparse(rows.map((row) => ({ ...ROW, ...row })))

describe('a bill is read', () => {
  test('rows of one resource, meter, price and day are one line', async () => {
    const next = { ChargePeriodStart: '2027-03-05T09:00:00Z', ChargePeriodEnd: '2027-03-05T10:00:00Z' }
    const later = { ChargePeriodStart: '2027-03-06T08:00:00Z', ChargePeriodEnd: '2027-03-06T09:00:00Z' }
    const { lines, rows, used, resources } = await readText(csv({}, next, later))
    expect([rows, used, lines.length]).toEqual([3, 3, 2])
    expect(lines[0]).toMatchObject({
      day: '2027-03-05',
      lastDay: '2027-03-05',
      period: '2027-03-01',
      category: 'usage',
      service: 'compute',
      resourceId: 'vm-1',
      meter: 'machine hours',
      unitPrice: '0.2067',
      rows: 2,
    })
    expect([short(lines[0]!.effective), short(lines[0]!.consumed)]).toEqual(['0.4134', '2'])
    expect(resources).toMatchObject([{ id: 'vm-1', name: 'replay' }])
    expect(resources[0]!.details.get('machine hours')).toEqual({ InstanceType: 'heron-4-16' })
    expect([...resources[0]!.tags]).toEqual([['team', 'trams']])
  })

  test('days are those of the zone: 23:00 UTC is the next day in Lisbon in summer, and a day row is its own', async () => {
    const late = { ChargePeriodStart: '2027-04-05T23:00:00Z', ChargePeriodEnd: '2027-04-06T00:00:00Z' }
    const whole = { ChargePeriodStart: '2027-04-05T23:00:00Z', ChargePeriodEnd: '2027-04-06T23:00:00Z' }
    const month = { ChargePeriodStart: '2027-03-01T00:00:00Z', ChargePeriodEnd: '2027-03-31T23:00:00Z' }
    const outcome = await read([file('a.csv', utf8(csv(late, whole, month)))], 'Europe/Lisbon')
    if (!outcome.ok) throw new Error('refused')
    expect(outcome.value.lines.map(({ day, lastDay }) => `${day} ${lastDay}`)).toEqual([
      '2027-04-06 2027-04-06',
      '2027-03-01 2027-03-31',
    ])
  })

  test('purchases, taxes, credits and corrections stand apart; other services are left out by name', async () => {
    const { lines, leftOut, used, rows } = await readText(
      csv(
        {},
        { ChargeCategory: 'Tax', ServiceCategory: 'Other', BilledCost: '3', EffectiveCost: '3' },
        { ChargeCategory: 'Credit', ServiceCategory: '', EffectiveCost: '-1' },
        { ChargeCategory: 'Purchase', BilledCost: '100', EffectiveCost: '0' },
        { ChargeClass: 'Correction', EffectiveCost: '-0.5', ConsumedQuantity: '-2' },
        { ServiceCategory: 'Databases', ServiceName: 'Tables', EffectiveCost: '7' },
        { ServiceCategory: 'Databases', ServiceName: 'Tables', EffectiveCost: '7' },
      ),
    )
    expect(lines.map(({ category, isCorrection }) => [category, isCorrection])).toEqual([
      ['usage', false],
      ['tax', false],
      ['credit', false],
      ['purchase', false],
      ['usage', true],
    ])
    expect([rows, used]).toEqual([7, 5])
    expect(leftOut).toEqual([{ service: 'Tables', currency: 'EUR', rows: 2, effective: { n: 14n, d: 1n } }])
  })

  test('packed, in several parts, with names of another case: the same; a part that comes twice counts once', async () => {
    const plain = await readText(csv({}))
    const lower = csv({}).replace(/^.*$/m, (heading) => heading.toLowerCase())
    for (const files of [
      [file('a.csv.gz', gzipSync(utf8(csv({}))))],
      [file('a.zip', zipSync({ 'x/a.csv': utf8(csv({})), 'x/.hidden': utf8('no') }))],
      [file('a.csv', utf8(lower))],
      [file('a.csv', utf8(csv({}))), file('copy.csv', utf8(csv({})))],
    ]) {
      const outcome = await read(files)
      expect(outcome.ok && outcome.value.lines).toEqual(plain.lines)
    }
    const two = await readText(csv({}), csv({ ResourceId: 'vm-2' }))
    expect(two.lines.map(({ resourceId }) => resourceId)).toEqual(['vm-1', 'vm-2'])
    const twice = await readText(csv({}), csv({}))
    expect(twice.files.map(({ isRepeated }) => isRepeated)).toEqual([false, true])
  })

  test('a planned month that was written as a bill comes back to its total', async () => {
    const priced = pricedTogether(
      [
        { size: 'middle', off: 'deallocated' },
        { size: 'middle', off: 'hibernated', address: 'fixed' },
      ],
      RULE_BOOK,
    )
    const hourly = await readText(focusCsv(priced, 'hour'))
    const daily = await readText(focusCsv(priced, 'day'))
    for (const { lines, troubles } of [hourly, daily]) {
      expect(troubles).toEqual([])
      for (const { resolved, estimate } of priced) {
        const own = lines.filter(({ resourceName }) => resourceName === resolved.machine.name)
        const sum = own.reduce((total, { effective }) => add(total, effective), ZERO)
        expect(short(sum)).toBe(short(estimate.total))
      }
    }
    expect(hourly.lines.length).toBe(daily.lines.length)
  })

  test('sums are those of a plain walk over the rows', async () => {
    const anyRow = fc.record({
      ChargePeriodStart: fc.constantFrom(
        '2027-03-05T08:00:00Z',
        '2027-03-05T09:00:00Z',
        '2027-03-07T00:00:00Z',
      ),
      EffectiveCost: fc.integer({ min: -10_000, max: 10_000 }).map((cents) => (cents / 100).toFixed(2)),
      ResourceId: fc.constantFrom('a', 'b', '', 'c\u001fd'),
      ListUnitPrice: fc.constantFrom('0.1', '0.2'),
      ChargeCategory: fc.constantFrom('Usage', 'Tax'),
    })
    await fc.assert(
      fc.asyncProperty(fc.array(anyRow, { minLength: 1, maxLength: 40 }), async (rows) => {
        const { lines } = await readText(
          csv(...rows.map((row) => ({ ...row, ChargePeriodEnd: '2027-03-08T00:00:00Z' }))),
        )
        const cents = (own: readonly { EffectiveCost: string }[]): number =>
          own.reduce((sum, { EffectiveCost }) => sum + Math.round(Number(EffectiveCost) * 100), 0)
        for (const id of ['a', 'b', '']) {
          const sum = lines
            .filter(({ resourceId }) => resourceId === id)
            .reduce((total, { effective }) => add(total, effective), ZERO)
          expect(Number(toDecimal(sum, 2)) * 100).toBeCloseTo(
            cents(rows.filter(({ ResourceId }) => ResourceId === id)),
          )
        }
        expect(lines.reduce((sum, line) => sum + line.rows, 0)).toBe(rows.length)
      }),
      randomRuns(40),
    )
  })
})

describe('a bill that is not as it should be', () => {
  test.each([
    ['short-row', `${csv({}, {})}`.slice(0, -70), true],
    ['bad-cost', csv({ EffectiveCost: 'free' }), true],
    ['bad-time', csv({ ChargePeriodEnd: 'tomorrow' }), true],
    ['bad-time', csv({ ChargePeriodEnd: '2027-03-01T00:00:00Z' }), true],
    ['no-currency', csv({ BillingCurrency: 'euros' }), true],
    ['unknown-category', csv({ ChargeCategory: 'Gift' }), true],
    ['bad-tags', csv({ Tags: 'team=trams' }), false],
    ['bad-details', csv({ SkuPriceDetails: '[1]' }), false],
    ['bad-quantity', csv({ PricingQuantity: 'some' }), false],
    ['unknown-unit', csv({ PricingUnit: '€' }), false],
    ['over-a-day', csv({ ConsumedQuantity: '1.5' }), false],
    ['negative-usage', csv({ ConsumedQuantity: '-1' }), false],
  ])('%s is counted with its first place', async (code, text, isLeftOut) => {
    const { troubles, used } = await readText(text)
    expect(troubles).toMatchObject([{ code, rows: 1, isLeftOut, file: 'part-0.csv' }])
    expect(troubles[0]!.row).toBe(code === 'short-row' ? 3 : 2)
    expect(used).toBe(code === 'short-row' ? 1 : isLeftOut ? 0 : 1)
  })

  test('columns that lack or stand twice are named, and 300 others do no harm', async () => {
    const { EffectiveCost: _, BilledCost: __, ...costless } = ROW
    expect(await refused(file('a.csv', utf8(Papa.unparse([costless]))))).toContain(
      'The column EffectiveCost is not there',
    )
    const doubled = csv({}).replace('ChargeClass', 'EffectiveCost')
    expect(await refused(file('a.csv', utf8(doubled)))).toMatch(/EffectiveCost is there 2 times, at 6 and 13/)
    const more = Object.fromEntries(Array.from({ length: 300 }, (_each, i) => [`x_${i}`, `${i}`]))
    const { lines } = await readText(Papa.unparse([{ ...ROW, ...more }]))
    expect(lines.length).toBe(1)
  })

  test('figures of thirty digits stay exact, two currencies and two months stay apart', async () => {
    const { lines } = await readText(
      csv(
        { EffectiveCost: '0.123456789012345678901234567891' },
        { EffectiveCost: '0.000000000000000000000000000009' },
        { BillingCurrency: 'usd' },
        { BillingPeriodStart: '2026-03-01', ChargePeriodStart: '2026-03-02', ChargePeriodEnd: '2026-03-03' },
      ),
    )
    expect(toDecimal(lines[0]!.effective, 30)).toBe('0.123456789012345678901234567900')
    expect(lines.map(({ currency, period }) => `${currency} ${period}`)).toEqual([
      'EUR 2027-03-01',
      'USD 2027-03-01',
      'EUR 2026-03-01',
    ])
  })

  test('many long tags are read whole', async () => {
    const tags = Object.fromEntries(Array.from({ length: 40 }, (_each, i) => [`key-${i}`, 'x'.repeat(200)]))
    const { troubles, resources } = await readText(csv({ Tags: JSON.stringify(tags) }))
    expect([troubles, resources[0]!.tags.size]).toEqual([[], 40])
  })

  test('what is no bill is refused in words', async () => {
    const gz = gzipSync(utf8(csv(...Array.from({ length: 500 }, (_, i) => ({ ResourceId: `vm-${i}` })))))
    expect(await refused(file('a.csv.gz', gz.slice(0, gz.length - 400)))).toContain(
      'a.csv.gz cannot be unpacked',
    )
    expect(await refused(file('a.parquet', utf8('PAR1....')))).toContain(
      'a.parquet cannot be read as Parquet',
    )
    expect(await refused(file('a.csv', utf8('')))).toContain('a.csv is empty')
    expect(await refused(file('a.csv', utf8('a,b\n1,2\n')))).toContain('ChargePeriodStart')
    expect(await refused()).toContain('There is no file')
    const zip = zipSync({ 'b.zip': zipSync({ 'a.csv': utf8('a') }) })
    expect(await refused(file('a.zip', zip))).toContain('a zip within a zip')
  })
})
