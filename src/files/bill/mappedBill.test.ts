import Papa from 'papaparse'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { proposeBillMapping } from '../../core/billMapping/proposeBillMapping.ts'
import type { BillMapping, BillRecipe } from '../../core/billMapping/billMapping.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { finishLater } from '../../core/finish.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { toDecimal } from '../../core/quantity/decimal.ts'
import { subtract } from '../../core/quantity/exact.ts'
import { isDust } from '../../core/reconcile/dust.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { focusCsv } from '../focus/focusCsv.ts'
import { readPlan } from '../plan/planFile.ts'
import { billSample } from './billSample.ts'
import { compareBill } from './compareBill.ts'
import { readBillRecipe, writeBillRecipe } from './billRecipeFile.ts'
import { readBill } from './readBill.ts'
import { zonesOf } from './zonesOf.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const month = '2027-03' as YearMonth
const plan = {
  ...read.value,
  machines: read.value.machines.filter(({ provider }) => provider === 'fennmark'),
}
const pricing = new PlanPricing({ plan, books: DEMO_BOOKS, month, reading: 'calendar' })
const priced = plan.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)
const { data: FOCUS } = Papa.parse<Record<string, string>>(focusCsv(priced, 'day'), {
  header: true,
  skipEmptyLines: true,
})

/** The planned month as a biller of no standard writes it: German words, decimal commas, local days, two lines of title. */
function ownShape(): string {
  const use = ({ ServiceCategory: service, ...row }: Record<string, string>): string => {
    const meter = `${row.SkuMeter} ${row.ResourceType} ${row.SkuId}`
    return service === 'Storage'
      ? /snapshot|restor/i.test(meter)
        ? 'Sicherung'
        : /memory|hibernat/i.test(meter)
          ? 'Hibernate'
          : 'Massenspeicher'
      : service === 'Networking'
        ? /traffic/i.test(meter)
          ? 'Datenverkehr'
          : 'Adresse'
        : /licen|subscription|surcharge/i.test(meter)
          ? 'Lizenz'
          : 'Rechner'
  }
  const local = (text: string): string => text.split('.').join(',')
  const rows = FOCUS.map((row) => {
    const [year, mm, dd] = dayOf(row).split('-')
    return [
      `${dd}.${mm}.${year}`,
      row.ResourceName!,
      use(row),
      local(row.PricingQuantity!),
      row.PricingUnit!,
      local(row.ListUnitPrice!),
      local(row.EffectiveCost!),
    ]
  })
  const table = Papa.unparse(
    [['Datum', 'Objekt', 'Leistung', 'Menge', 'Einheit', 'Einzelpreis', 'Betrag EUR'], ...rows],
    { delimiter: ';' },
  )
  return `Abrechnung;;;;;;\r\nKonto 7;;;;;;\r\n${table}\r\n`
}

/** The day of the provider’s month, which is local. */
const dayOf = ({ ChargePeriodStart: from, ChargePeriodEnd: to }: Record<string, string>): string =>
  new Intl.DateTimeFormat('sv', { timeZone: priced[0]!.resolved.index.book.billingZone }).format(
    (Date.parse(from!) + Date.parse(to!)) / 2,
  )

const files = (text: string) => [{ name: 'rechnung.csv', file: new Blob([text]) }]
const recipeOf = (mapping: BillMapping, headings: readonly string[]): BillRecipe => ({ ...mapping, headings })

describe('a bill that does not follow FOCUS', () => {
  test('is proposed from its words, and says then what the plan’s own bill says, to the last digit', async () => {
    const sample = await billSample(files(ownShape()), 'Fennmark')
    if (!sample.ok) throw new Error(JSON.stringify(sample.issues))
    const { proposed, headings } = sample.value
    expect(
      Object.fromEntries(
        Object.entries(proposed.fields).map(([field, from]) => [
          field,
          from.from === 'column' ? from.column : from.text,
        ]),
      ),
    ).toEqual({
      start: 'Datum',
      resource: 'Objekt',
      kind: 'Leistung',
      quantity: 'Menge',
      unit: 'Einheit',
      unitPrice: 'Einzelpreis',
      cost: 'Betrag EUR',
      currency: 'EUR',
    })
    expect([proposed.decimalMark, proposed.dates]).toEqual([',', 'day-first'])
    const uses = Object.fromEntries(proposed.kinds.map(({ text, is }) => [text, is]))
    expect(uses).toMatchObject({ Rechner: 'machine-time', Massenspeicher: 'disk' })
    expect(Object.values(uses)).not.toContain('left-out')
    const recipe = recipeOf(proposed, headings)
    const reading = await finishLater(
      readBill({ files: files(ownShape()), recipes: [recipe], ...zonesOf(DEMO_BOOKS) }),
    )
    if (!reading.ok) throw new Error(JSON.stringify(reading.issues))
    expect(reading.value.troubles).toEqual([])
    expect(reading.value.used).toBe(FOCUS.length)
    const { currencies } = compareBill({ priced, reading: reading.value, month })
    expect(currencies.length).toBe(1)
    const [{ planned, billed, causes }] = currencies as [(typeof currencies)[0]]
    expect(isDust(subtract(planned, billed))).toBe(true)
    expect(
      causes
        .filter(({ amount }) => !isDust(amount))
        .map(({ code, of, meter, unit, amount }) => `${code} ${of} ${meter} ${unit} ${toDecimal(amount, 4)}`),
    ).toEqual([])
    expect(readBillRecipe(writeBillRecipe(recipe))).toEqual({ ok: true, value: recipe })
  })

  test('is refused without a recipe that has its columns, and rows that cannot be read are counted in their places', async () => {
    const text =
      'day,machine,what,cost\n2027-03-01,web,machine,1.50\nnever,web,machine,2\n2027-03-02,web,machine,much\n2027-03-02,db,database,9\n'
    const sample = await billSample(files(text), 'Own')
    if (!sample.ok) throw new Error('no sample')
    const { headings, proposed } = sample.value
    const mapping: BillMapping = {
      ...proposed,
      fields: { ...proposed.fields, currency: { from: 'constant', text: 'EUR' } },
    }
    const zones = { timeZone: 'Etc/UTC' }
    const none = await finishLater(readBill({ files: files(text), recipes: [], ...zones }))
    expect(none.ok ? [] : none.issues[0].problem).toContain('are not there')
    const other = recipeOf(
      { ...mapping, fields: { ...mapping.fields, cost: { from: 'column', column: 'total' } } },
      headings,
    )
    expect((await finishLater(readBill({ files: files(text), recipes: [other], ...zones }))).ok).toBe(false)
    const reading = await finishLater(
      readBill({ files: files(text), recipes: [other, recipeOf(mapping, headings)], ...zones }),
    )
    if (!reading.ok) throw new Error(JSON.stringify(reading.issues))
    const { lines, troubles, leftOut, rows, used } = reading.value
    expect([rows, used]).toEqual([4, 1])
    expect(
      lines.map(({ resourceName, day, effective }) => [resourceName, day, toDecimal(effective, 2)]),
    ).toEqual([['web', '2027-03-01', '1.50']])
    expect(troubles.map(({ code, row }) => [code, row])).toEqual([
      ['bad-time', 3],
      ['bad-cost', 4],
    ])
    expect(leftOut.map(({ service, effective }) => [service, toDecimal(effective, 2)])).toEqual([
      ['database', '9.00'],
    ])
  })

  test('what a recipe lacks or says wrongly is told with its place', () => {
    const good = JSON.parse(
      writeBillRecipe(
        recipeOf(
          proposeBillMapping({ headings: ['day', 'vm', 'cost'], rows: [['2027-03-01', 'a', '1']] }, 'Own')
            .mapping,
          ['day', 'vm', 'cost'],
        ),
      ),
    ) as Record<string, unknown>
    const said = (part: object): string => {
      const outcome = readBillRecipe(JSON.stringify({ ...good, ...part }))
      return outcome.ok ? 'read' : outcome.issues[0].pointer
    }
    expect(said({})).toBe('read')
    expect(said({ kinds: [{ text: 'x', is: 'rocket' }] })).toBe('/kinds/0/is')
    expect(said({ dates: 'year-first' })).toBe('/dates')
    expect(said({ fields: { cost: { from: 'column' } } })).toBe('/fields/cost/column')
    expect(said({ format: 'notchgauge/bill-recipe/2' })).toBe('/format')
  })
})
