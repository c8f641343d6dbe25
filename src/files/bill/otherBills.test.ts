import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { finishLater } from '../../core/finish.ts'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { add, compare, ZERO, type Exact } from '../../core/quantity/exact.ts'
import type { BillLine } from '../../core/bill/billLine.ts'
import { billSample } from './billSample.ts'
import { readBill } from './readBill.ts'

/** Bills in the writing of many makers, with the truth that they were made of: `scripts/otherBills.py`. */

interface MadeBill {
  readonly name: string
  readonly text: string
  readonly currency: string
  readonly first: string
  readonly last: string
  /** What nothing in the file tells. */
  readonly asks: readonly string[]
  /** By resource; `credit` is that of all. */
  readonly sums: Readonly<Record<string, string>>
  readonly hours: Readonly<Record<string, string>>
}

const { bills } = JSON.parse(readFileSync('src/files/bill/testing/otherBills.json', 'utf8')) as {
  readonly bills: readonly MadeBill[]
}

const summed = (lines: readonly BillLine[], of: (line: BillLine) => Exact): Exact =>
  lines.reduce((sum, line) => add(sum, of(line)), ZERO)

describe.each(bills.map((bill) => [bill.name, bill] as const))('%s', (_, made) => {
  test('is read as it was made, by what is proposed', async () => {
    const file = { name: 'bill.csv', file: new Blob([made.text]) }
    const sample = await billSample([file], 'Own')
    if (!sample.ok) throw new Error(JSON.stringify(sample.issues))
    const { proposed, unsure, headings } = sample.value
    expect(unsure).toEqual(made.asks)
    const recipes = [{ ...proposed, headings }]
    const read = await finishLater(readBill({ files: [file], recipes, timeZone: 'Etc/UTC' }))
    if (!read.ok) throw new Error(JSON.stringify(read.issues))
    const { lines, troubles } = read.value
    expect(troubles).toEqual([])
    expect([...new Set(lines.map(({ currency }) => currency))]).toEqual([made.currency])
    const days = lines.map(({ day }) => day).sort()
    expect([days[0], days.at(-1)]).toEqual([made.first, made.last])
    const wrong = Object.entries(made.sums).filter(([name, sum]) => {
      const own = lines.filter(({ resourceName, category }) =>
        name === 'credit' ? category === 'credit' : resourceName === name && category === 'usage',
      )
      return (
        compare(
          summed(own, ({ effective }) => effective),
          parseDecimal(sum)!,
        ) !== 0
      )
    })
    expect(wrong).toEqual([])
    for (const [name, hours] of Object.entries(made.hours)) {
      const own = lines.filter(({ resourceName, category }) => resourceName === name && category === 'usage')
      // Of `100 Hours`, so many.
      const times = Number(/^(\d+) /.exec(own[0]!.consumedUnit)?.[1] ?? 1)
      const ran = summed(own, ({ consumed }) => consumed)
      expect([name, (Number(ran.n) / Number(ran.d)) * times]).toEqual([name, Number(hours)])
    }
  })
})
