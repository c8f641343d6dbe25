import { describe, expect, test } from 'vitest'
import { finish } from '../finish.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { cheapestFit, searchLeavesOut } from './cheapestFit.ts'
import type { SearchOptions } from './searchedChoices.ts'

const weir = (part: Partial<PriceBook> = {}): PriceBook => ({
  ...RULE_BOOK,
  provider: { id: 'weir', name: 'Weir' },
  ...part,
})

describe('providers that a search leaves out', () => {
  const left = (other: PriceBook, part: Partial<Machine> = {}) =>
    searchLeavesOut(plateInputs(part, [RULE_BOOK, other]))

  test('are none where all can be set against each other and sell what is needed', () => {
    expect(left(weir())).toEqual([])
  })

  test('are told with their reason: no exchange rate, no image like the machine’s, or a choice of its own book that is pinned', () => {
    expect(left(weir({ currency: 'USD' }))).toEqual([{ provider: 'Weir', why: 'currency', currency: 'USD' }])
    const windows = RULE_BOOK.images.map((image) => ({ ...image, licence: 'seal' }))
    const needs = { vcpu: 0, memoryGiB: gib(0), iops: 0, image: 'any-linux' as const }
    expect(left(weir({ images: windows }), { needs })).toEqual([
      { provider: 'Weir', why: 'image', currency: 'EUR' },
    ])
    for (const pinned of ['place', 'size', 'terms', 'disk-kind', 'image'] as const) {
      expect(left(weir(), { pinned: [pinned] })).toEqual([
        { provider: 'Weir', why: 'pinned', currency: 'EUR' },
      ])
    }
    expect(left(weir(), { pinned: ['off', 'disk-room', 'week'] })).toEqual([])
  })
})

describe('a search that binds nobody', () => {
  const termsOf = (options: SearchOptions, part: Partial<Machine> = {}) => {
    const needs = { vcpu: 4, memoryGiB: gib(16), iops: 0 }
    const inputs = plateInputs(
      { size: 'middle', needs, pinned: ['size', 'place', 'off'], off: 'running', ...part },
      [RULE_BOOK],
    )
    return finish(cheapestFit(inputs, options))?.machine.terms
  }

  test('takes neither a commitment nor spot, which are cheaper for a machine that is always on', () => {
    // 744 h: on demand 153.78, one year 96.87, spot 52.08, three years paid ahead 50.
    expect(termsOf({})).toBe('years-all')
    expect(termsOf({ uncommitted: true })).toBe('on-demand')
  })

  test('keeps to what is pinned', () => {
    const pinned = ['size', 'place', 'off', 'terms'] as const
    expect(termsOf({}, { pinned, terms: 'year' })).toBe('year')
  })
})

test('data disks stay on their kind where another provider has it, and go to its cheapest where it has not', () => {
  const cheap = Object.fromEntries(
    Object.entries(RULE_BOOK.prices).map(([region, prices]) => [
      region,
      {
        ...prices,
        sizes: Object.fromEntries(Object.keys(prices.sizes).map((id) => [id, { perHour: '0.0001' }])),
      },
    ]),
  )
  const kindOf = (other: PriceBook) => {
    const part = {
      dataDisks: [{ kind: 'gib', roomGiB: gib(50) }],
      needs: { vcpu: 2, memoryGiB: gib(8), iops: 0, disks: 'any' as const },
    }
    const found = finish(cheapestFit(plateInputs(part, [RULE_BOOK, other])))!
    return [found.machine.provider, found.machine.dataDisks[0]?.kind]
  }
  const terms = RULE_BOOK.terms.filter(({ kind }) => kind === 'on-demand')
  const same = weir({ prices: cheap, terms, freeAllowances: [] })
  expect(kindOf(same)).toEqual(['weir', 'gib'])
  const diskKinds = RULE_BOOK.diskKinds.filter(({ id }) => id !== 'gib' && id !== 'own')
  const sizes = RULE_BOOK.sizes
    .filter(({ id }) => id !== 'flat')
    .map((size) => ({ ...size, diskKinds: diskKinds.map(({ id }) => id), mostDisks: 4 }))
  // 50 GiB: steps of 64 at 5.05, of 64 that do not boot at 9, bought ones at 0.1 a GiB: 5.
  expect(kindOf({ ...same, diskKinds, sizes })).toEqual(['weir', 'bought'])
})
