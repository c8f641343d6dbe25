import { gzipSync } from 'fflate'
import { describe, expect, test } from 'vitest'
import type { ListMapping, PriceAnswer } from '../../core/pricelist/listMapping.ts'
import type { ListReading } from './listAnswer.ts'
import { answerToList, readingOfList } from './testing/answerToList.ts'
import { copperbeck } from './testing/copperbeck.ts'
import { expectTrue } from './testing/expectTrue.ts'
import { saltmarsh } from './testing/saltmarsh.ts'

const file = (content: string | Uint8Array) => [{ name: 'list.csv', content }]

const reading = (content: string | Uint8Array, mapping?: ListMapping): Promise<ListReading> =>
  readingOfList(file(content), mapping && { mapping })

describe('a flat list, a row for each size, place, system and plan', () => {
  const list = saltmarsh()
  const text = list.files[0]!.content as string

  test('is read by what is proposed, price by price as it was made', async () => {
    const read = await reading(text)
    expect(read.mapping).toMatchObject({
      currency: 'USD',
      units: { memory: 'GiB', period: 'hour', vcpuPerCount: 1 },
      plainSystem: 'linux',
      terms: [
        { text: 'hourly', is: 'on-demand' },
        { text: '1y', is: 'commitment', months: 12, upFront: 'none' },
        { text: '3y', is: 'commitment', months: 36, upFront: 'none' },
      ],
      rows: [
        {
          is: 'size-price',
          only: [],
          fields: {
            size: { from: 'column', column: 'sku_label' },
            vcpu: { from: 'column', column: 'sku_label', part: { by: 'number', at: 0 } },
            memory: { from: 'column', column: 'mem gib' },
            place: { from: 'column', column: 'site' },
            system: { from: 'column', column: 'os' },
            term: { from: 'column', column: 'plan' },
            price: { from: 'column', column: 'rate_std_hr' },
            currency: { from: 'column', column: 'cur' },
          },
        },
      ],
    })
    expect(read.unsure).toEqual(['field/vcpu'])
    expectTrue(read.book, list)
    expect(read.leftOut).toEqual([])
    expect([read.rows, read.used]).toEqual([list.truth.length, list.truth.length])
  })

  test('and compressed the same', async () => {
    const read = await reading(gzipSync(new TextEncoder().encode(text)))
    expectTrue(read.book, list)
  })

  test('shows each figure beside the cell that it came from', async () => {
    const { proofs } = await reading(text)
    const lines = text.split('\n')
    expect(proofs.length).toBe(10)
    for (const { size, place, price, from } of proofs) {
      expect(lines[from.row - 1]).toBe(
        `${size},${place},linux,hourly,${price},USD,${lines[from.row - 1]!.split(',')[6]}`,
      )
      expect(from).toMatchObject({ column: 'rate_std_hr', text: price })
    }
  })

  test('a slipped decimal, two prices for one thing and a word in place of a price are told with their rows', async () => {
    const lines = text.split('\n')
    const tern = lines.findIndex((line) => line.startsWith('tern 8-32,Skerry,linux,hourly'))
    const [, , , , price] = lines[tern]!.split(',')
    lines[tern] = lines[tern]!.replace(price!, (Number(price) / 10).toFixed(5))
    const dunlin = lines.findIndex((line) => line.startsWith('dunlin 2-4,Fallow Quay,linux,hourly'))
    lines.splice(dunlin + 1, 0, 'dunlin 2-4,Fallow Quay,linux,hourly,0.0299,USD,4')
    const snipe = lines.findIndex((line) => line.startsWith('snipe 1-1,Fallow Quay,linux,hourly'))
    lines[snipe] = 'snipe 1-1,Fallow Quay,linux,hourly,on request,USD,1'
    const read = await reading(lines.join('\n'))
    expect(read.odd).toMatchObject([{ size: 'tern 8-32', place: 'Skerry', from: { row: tern + 1 } }])
    expect(read.contradictions).toMatchObject([
      {
        about: 'price',
        of: 'dunlin 2-4',
        place: 'Fallow Quay',
        first: { row: dunlin + 1 },
        second: { row: dunlin + 2 },
      },
    ])
    expect(read.leftOut.find(({ leftOut }) => leftOut.why === 'unreadable')).toMatchObject({
      leftOut: { field: 'price', text: 'on request', problem: 'no-number' },
      examples: [snipe + 1],
    })
  })
})

describe('prices that stand out', () => {
  const table = (oak: string, ash = '0.2') => `machine,vCPU,memory GiB,site,EUR per hour
Oak 2,2,8,Leeds,0.1
Oak 4,4,16,Leeds,0.2
Oak 8,8,32,Leeds,${oak}
Oak 16,16,64,Leeds,0.8
Ash 2,4,16,Leeds,${ash}
Ash 2,4,16,Leeds,0.3
`
  const answered = async (text: string, ...answers: PriceAnswer[]) => {
    const { mapping } = await reading(table('0.04'))
    const { book, odd, contradictions } = await reading(text, { ...mapping, answers })
    const prices = Object.values(book!.prices)[0]!.sizes
    return {
      asked: [...odd, ...contradictions].length,
      prices: ['oak-8', 'ash-2'].map((size) => prices[size]?.perHour),
    }
  }
  const oak = { size: 'Oak 8', place: 'Leeds', listed: '0.04' } as const
  const ash = { size: 'Ash 2', place: 'Leeds', listed: '0.2' } as const

  test('are asked about until they are answered', async () => {
    expect(await answered(table('0.04'))).toEqual({ asked: 2, prices: ['0.04', '0.2'] })
    expect(await answered(table('0.04'), { ...oak, is: 'right' }, { ...ash, is: 'right' })).toEqual({
      asked: 0,
      prices: ['0.04', '0.2'],
    })
  })

  test('are mended or left out', async () => {
    const mended = { ...oak, is: 'mended', price: '0.4' } as const
    expect(await answered(table('0.04'), mended, { ...ash, is: 'mended', price: '0.3' })).toEqual({
      asked: 0,
      prices: ['0.4', '0.3'],
    })
    expect(await answered(table('0.04'), { ...oak, is: 'left-out' }, { ...ash, is: 'left-out' })).toEqual({
      asked: 0,
      prices: [undefined, undefined],
    })
  })

  test('are asked about again in a list that says something else', async () => {
    const answers = [
      { ...oak, is: 'mended', price: '0.4' },
      { ...ash, is: 'right' },
    ] as const
    expect(await answered(table('0.05', '0.25'), ...answers)).toEqual({ asked: 2, prices: ['0.05', '0.25'] })
  })
})

describe('a wide list, places as columns, decimal commas, by the month', () => {
  const list = copperbeck()
  const text = list.files[0]!.content as string

  test('is read by what is proposed, price by price as it was made', async () => {
    const read = await reading(text)
    expect(read.mapping).toMatchObject({
      currency: 'EUR',
      units: { memory: 'GiB', period: 'month', decimalMark: ',' },
      rows: [
        {
          prices: ['Lyon', 'Turku', 'Gent', 'Porto'].map((place) => ({ column: `${place} €/Monat`, place })),
        },
      ],
    })
    expect(read.places.map(({ city }) => city)).toEqual(['Lyon', 'Turku', 'Ghent', 'Porto'])
    expect(read.book!.regions[2]).toMatchObject({ name: 'Gent', country: 'BE', jurisdiction: 'EU' })
    expect(read.unsure).toEqual(['prices', 'places'])
    expectTrue(read.book, list)
  })

  test('in Windows-1252 the same', async () => {
    const bytes = Uint8Array.from(text.replace(/€/g, '\u0080').replace(/–/g, '\u0096'), (letter) =>
      letter.charCodeAt(0),
    )
    expectTrue((await reading(bytes)).book, list)
  })
})

test('every answer that was only proposed stands in the book as assumed, each by itself', async () => {
  const read = await reading('what;where;each\nm 4/16;Here;0,10\nm 8/32;Here;0,20\nm 2/8;Here;0,05\n')
  expect(read.unsure).toEqual(
    expect.arrayContaining(['field/vcpu', 'field/memory', 'memory', 'period', 'currency']),
  )
  const about = read.book!.assumed!.filter(({ from }) => from === 'list').map((each) => each.about)
  expect(new Set(about).size).toBe(read.unsure.length)
})

describe('lists in JSON', () => {
  const list = {
    cur: 'GBP',
    sites: {
      a1: {
        site: 'Leeds',
        machines: [
          { label: 'yard 2-4', cpu: 2, ram_gib: 4, rate: { per_hour: 0.05 } },
          { label: 'yard 4-8', cpu: 4, ram_gib: 8, rate: { per_hour: 1e-1 } },
        ],
      },
      a2: { site: 'Kobe', machines: [{ label: 'yard 2-4', cpu: 2, ram_gib: 4, rate: { per_hour: 0.06 } }] },
    },
  }
  const expected = [
    ['Leeds', 'yard-2-4', '0.05'],
    ['Leeds', 'yard-4-8', '0.1'],
    ['Kobe', 'yard-2-4', '0.06'],
  ]
  const pricesOf = ({ book }: ListReading) =>
    book!.regions.flatMap(({ id, name }) =>
      Object.entries(book!.prices[id]!.sizes).map(([size, { perHour }]) => [name, size, perHour]),
    )

  test('nested ones are read by what is proposed', async () => {
    const read = await reading(JSON.stringify(list))
    expect(read.mapping).toMatchObject({ currency: 'GBP', units: { memory: 'GiB', period: 'hour' } })
    expect(pricesOf(read)).toEqual(expected)
  })

  test('and those with a value on each line', async () => {
    const lines = Object.values(list.sites).flatMap(({ site, machines }) =>
      machines.map((machine) => JSON.stringify({ cur: 'GBP', site, ...machine })),
    )
    expect(pricesOf(await reading(`${lines.join('\n')}\n`))).toEqual(expected)
  })

  test('one that is cut off is said', async () => {
    const answer = await answerToList(file(JSON.stringify(list).slice(0, 150)))
    expect(!answer.ok && answer.issues[0].problem).toMatch(/cut off/)
  })
})

describe('what is no price list', () => {
  test.each([
    ['nothing', '', /no rows/],
    ['one column', 'a\nb\nc\n', /one column only/],
    [
      'too many columns',
      `${Array.from({ length: 5_000 }, (_, i) => `c${i}`).join(',')}\n${'1,'.repeat(4_999)}1\n`,
      /5000 columns/,
    ],
  ])('%s is said', async (_, text, problem) => {
    const answer = await answerToList(file(text))
    expect(!answer.ok && answer.issues[0].problem).toMatch(problem)
  })

  test('a quotation mark that is never closed ends in bounded room', async () => {
    const answer = await answerToList(file(`size,price\n"${'x'.repeat(5_000_000)}`))
    expect(!answer.ok && answer.issues[0].problem).toMatch(/quotation mark/)
  })

  test('headings in row 40, blank lines and cells that are cut off are borne', async () => {
    const above = Array.from({ length: 39 }, (_, i) => (i % 3 === 0 ? '' : `a remark, number`)).join('\n')
    const read = await reading(
      `${above}\nsize,vcpu,memory GiB,place,price per hour EUR\ns1,2,4,Here,0.1\n\ns2,4,8,Here,0.2\ns3,4`,
    )
    expect(read.book?.sizes.map(({ name }) => name)).toEqual(['s1', 's2'])
    expect(read.proofs[0]!.from.row).toBe(41)
  })

  test('prices of any number of digits are read or told, whatever they are for', async () => {
    const rows = [0, 1, 2, 3, 4, 5, 6, 17, 19, 25, 40].map(
      (digits) => `s${digits},2,4,Here,1.${'1'.repeat(digits)}1`,
    )
    const read = await reading(`size,vcpu,memory GiB,place,price EUR per year\n${rows.join('\n')}\n`)
    expect(read.used).toBe(8)
    expect(read.leftOut).toMatchObject([{ rows: 3, leftOut: { problem: 'too-many-digits' } }])
  })

  test('rows of which none fits give no book, and say why', async () => {
    const read = await reading(`size,vcpu,memory GiB,place,price\n${'s1,two,4,Here,0.1\n'.repeat(2_500)}`)
    expect(read.book).toBeUndefined()
    expect(read.leftOut[0]).toMatchObject({ rows: 2_500, leftOut: { why: 'unreadable' } })
    expect(read.leftOut[0]!.examples.length).toBe(50)
  })
})

test('prices in another currency are left out, or made one at a dated rate, which stands in the recipe', async () => {
  const text =
    'size,vcpu,memory GiB,place,currency,price per hour\ns1,2,4,Here,EUR,0.1\ns2,4,8,Here,USD,0.2\ns3,8,16,Here,GBP,0.3\n'
  const read = await reading(text)
  expect(read.mapping.currency).toBe('EUR')
  expect(read.book!.sizes.map(({ name }) => name)).toEqual(['s1'])
  expect(read.leftOut).toMatchObject([{ rows: 2, leftOut: { field: 'currency', problem: 'other-currency' } }])
  const rated = await reading(text, {
    ...read.mapping,
    rates: [{ currency: 'USD', rate: '0.925', on: '2027-03-01' }],
  })
  expect(rated.book!.prices.here!.sizes).toEqual({ s1: { perHour: '0.1' }, s2: { perHour: '0.185' } })
  expect(rated.leftOut).toMatchObject([{ rows: 1, leftOut: { text: 'GBP' } }])
})
