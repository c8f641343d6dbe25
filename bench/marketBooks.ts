import { readFileSync } from 'node:fs'
import type { YearMonth } from '../src/core/calendar/yearMonth.ts'
import type { PriceBook, Terms } from '../src/core/catalogue/priceBook.ts'
import type { Machine, Plan } from '../src/core/machine/plan.ts'
import { gib } from '../src/core/quantity/units.ts'
import { readPriceBook } from '../src/files/priceBook/priceBookFile.ts'
import { largeBook, seededRandom } from './generate.ts'

/** Five large providers who sell 2.5 million offers between them, and one machine that asks. */
const [PROVIDERS, SIZES, REGIONS] = [5, 1_000, 100]
export const MONTH = '2027-03' as YearMonth
const TERMS: readonly Terms[] = [
  { id: 'on-demand', name: 'On demand', kind: 'on-demand' },
  { id: 'spot', name: 'Spot', kind: 'spot', interruption: 'now and then' },
  { id: 'year', name: 'One year', kind: 'commitment', months: 12, upFront: 'none' },
  { id: 'years', name: 'Three years', kind: 'commitment', months: 36, upFront: 'none' },
  { id: 'flat', name: 'Flat', kind: 'flat', capHours: 650 },
]

const read = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
if (!read.ok) throw new Error('data/fennmark.json is not valid')
// One architecture, so that vCPU and memory alone say what fits.
const pattern = {
  ...read.value,
  sizes: read.value.sizes.filter(({ architecture }) => architecture === 'x86-64'),
}
const random = seededRandom(7)

function book(at: number): PriceBook {
  const large = largeBook(pattern, { sizes: SIZES, regions: REGIONS, diskKinds: 4 }, at + 1)
  const prices = Object.fromEntries(
    Object.entries(large.prices).map(([region, all]) => [
      region,
      {
        ...all,
        sizes: Object.fromEntries(
          Object.entries(all.sizes).map(([size, { perHour }]) => {
            const shares = [0.4, 0.7, 0.5, 1.1].map(
              (share) => Number(perHour) * share * (0.8 + random() * 0.4),
            )
            const terms = TERMS.slice(1).map(({ id }, i) => [id, { perHour: shares[i]!.toFixed(5) }])
            return [size, { perHour: perHour!, terms: Object.fromEntries(terms) }]
          }),
        ),
      },
    ]),
  )
  const { freeAllowances: _, ...rules } = large
  return { ...rules, provider: { id: `maker-${at}`, name: `Maker ${at}` }, terms: TERMS, prices }
}

export const books = Array.from({ length: PROVIDERS }, (_, at) => book(at))
const [own] = books
export const machine: Machine = {
  name: 'web',
  purpose: '',
  needs: { vcpu: 4, memoryGiB: gib(16), iops: 500 },
  provider: 'maker-0',
  region: 'region-0',
  zone: 'a',
  size: own!.sizes.find(({ vcpu, memoryGiB }) => vcpu >= 4 && memoryGiB >= 16)!.id,
  image: own!.images[0]!.id,
  terms: 'on-demand',
  systemDisk: { kind: 'kind-0', roomGiB: gib(64), goes: true },
  dataDisks: [],
  address: 'none',
  week: 'week',
  off: 'deallocated',
  // One way to be off, so that the peers can be asked the same by one sum for each offer.
  pinned: ['off'],
}

export function planOn(hours: number): Plan {
  const windows = ([0, 1, 2, 3, 4] as const).map((day) => ({ day, from: 8 * 60, to: (8 + hours) * 60 }))
  const week = { id: 'week', name: 'Week', timeZone: 'Europe/Lisbon', windows, exceptions: [] }
  return {
    name: 'market',
    month: MONTH,
    weeks: [week],
    machines: [machine],
  }
}
