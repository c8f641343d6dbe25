import { describe, expect, test } from 'vitest'
import { fitReasons } from '../fit/fitReasons.ts'
import type { Needs } from '../machine/needs.ts'
import type { Machine } from '../machine/plan.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { add, compare, subtract, ZERO } from '../quantity/exact.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import { gib } from '../quantity/units.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { forcedCosts } from './forcedCosts.ts'
import { losses } from '../wholePlan/losses.ts'
import { mendLettingGo, mendNotch } from './mendNotch.ts'
import { cheapestNotch, isOpen, type Notch, type Plate, type PlatesInputs } from './plate.ts'
import { platesOf } from './plates.ts'

const WEIR = {
  ...SMALL_BOOK,
  provider: { id: 'weir', name: 'Weir' },
  currency: 'USD',
  sizes: SMALL_BOOK.sizes.map((size) => ({ ...size, id: `w-${size.id}`, name: `W ${size.name}` })),
  prices: Object.fromEntries(
    Object.entries(SMALL_BOOK.prices).map(([region, prices]) => [
      region,
      {
        ...prices,
        sizes: Object.fromEntries(Object.entries(prices.sizes).map(([id, price]) => [`w-${id}`, price])),
      },
    ]),
  ),
}
const RATE = { exchangeRates: [{ from: 'USD', to: 'EUR', rate: '0.5', date: '2027-01-01' }] }
const books = [SMALL_BOOK, WEIR]

const plateOf = (inputs: PlatesInputs, decision: Plate['decision']): Plate =>
  platesOf(inputs).find((plate) => plate.decision === decision)!
const notch = (inputs: PlatesInputs, decision: Plate['decision'], key: string): Notch =>
  plateOf(inputs, decision).notches.find((each) => each.key === key)!

describe('a move to another provider', () => {
  test('names the nearest size, and costs half at a rate of one half', () => {
    const inputs = plateInputs({}, books, RATE)
    const there = notch(inputs, 'place', 'weir-east-a')
    expect(there.reasons).toEqual([])
    expect(isOpen(there)).toBe(false)
    expect(there.carried?.changes).toEqual([{ field: 'size', from: 'middle', to: 'W middle' }])
    const own = machineTotal(inputs.resolved, inputs.month, inputs.shared)!
    expect(compare(add(there.total!, there.total!), own)).toBe(0)
  })

  test('is closed without an exchange rate, and where nothing there has all that is needed', () => {
    const none = notch(plateInputs({}, books), 'place', 'weir-east-a')
    expect(none.reasons).toEqual([{ code: 'no-exchange-rate', from: 'USD', to: 'EUR' }])
    const needs = { vcpu: 4, memoryGiB: gib(16), iops: 0, jurisdictions: ['EU'] }
    const barred = notch(plateInputs({ needs }, books, RATE), 'place', 'weir-west-a')
    expect(barred.reasons).toMatchObject([{ code: 'jurisdiction-not-allowed', has: 'CA' }])
    const sealed = notch(plateInputs({ address: 'fixed' }, books, RATE), 'place', 'weir-west-a')
    expect(sealed.reasons).toEqual([{ code: 'address-not-sold-here', sort: 'fixed', place: 'West' }])
    const huge = { size: 'huge', needs: { vcpu: 16, memoryGiB: gib(128), iops: 0 } }
    const west = notch(plateInputs(huge, books, RATE), 'place', 'weir-west-a')
    expect(west.reasons).toMatchObject([{ code: 'nothing-fits-there', provider: 'Weir', vcpu: 16 }])
    const { images: all, ...rest } = WEIR
    const other = { ...rest, images: all.filter(({ id }) => id !== 'free') }
    const gone = notch(plateInputs({}, [SMALL_BOOK, other], RATE), 'place', 'weir-east-a')
    expect(gone.reasons).toEqual([{ code: 'image-not-offered', image: 'free', provider: 'Weir' }])
  })

  test('says what each change costs, and the parts add up', () => {
    const inputs = plateInputs({ address: 'fixed' }, books, RATE)
    const there = notch(inputs, 'place', 'weir-east-b')
    const costs = forcedCosts(inputs, there.carried!)!
    const parts = costs.changes.reduce((sum, { cost }) => add(sum, cost ?? ZERO), costs.own)
    expect(compare(parts, costs.difference)).toBe(0)
    expect(compare(costs.difference, there.difference!)).toBe(0)
    // Machine time alone is the size's: 230 h at 0.2067 and its changes, halved.
    const { cost } = costs.changes.find(({ change }) => change.field === 'size')!
    expect(cost!.n < 0n && compare(costs.own, ZERO) < 0).toBe(true)
  })

  test('keeps what is pinned, or is closed', () => {
    const inputs = plateInputs({ pinned: ['size'] }, books, RATE)
    expect(notch(inputs, 'place', 'weir-east-a').reasons[0]?.code).toBe('nothing-fits-there')
  })
})

describe('a choice that does not fit by itself', () => {
  test('moves to the zone that sells the size', () => {
    const inputs = plateInputs({ off: 'stopped' }, [SMALL_BOOK])
    const rare = notch(inputs, 'size', 'rare')
    expect(rare.reasons[0]?.code).toBe('not-sold-here')
    const mend = mendNotch(inputs, rare)!
    expect(mend.changes).toEqual([{ field: 'zone', from: 'a', to: 'b' }])
    expect(fitReasons(mend.resolved)).toEqual([])
  })

  test('takes another state when off, and says what that costs', () => {
    const inputs = plateInputs({ off: 'hibernated', zone: 'b' }, [SMALL_BOOK])
    const rare = notch(inputs, 'size', 'rare')
    const mend = mendNotch(inputs, rare)!
    expect(mend.changes).toEqual([{ field: 'off', from: { off: 'hibernated' }, to: { off: 'deallocated' } }])
    const costs = forcedCosts(inputs, mend)!
    const total = machineTotal(mend.resolved, inputs.month, inputs.shared)!
    const before = machineTotal(inputs.resolved, inputs.month, inputs.shared)!
    expect(compare(costs.difference, subtract(total, before))).toBe(0)
  })

  test('has no mend where what is needed is not there, or the way out is pinned', () => {
    const needs = { vcpu: 4, memoryGiB: gib(16), iops: 0 }
    const inputs = plateInputs({ needs }, [SMALL_BOOK])
    expect(mendNotch(inputs, notch(inputs, 'size', 'small'))).toBeUndefined()
    const pinned = plateInputs({ off: 'stopped', pinned: ['place'] }, [SMALL_BOOK])
    expect(mendNotch(pinned, notch(pinned, 'size', 'rare'))).toBeUndefined()
  })
})

describe('a choice that loses what the machine has now', () => {
  const shrink = { systemDisk: { kind: 'steps', roomGiB: gib(64) } } as const

  test('is closed, and is taken all the same by whoever has read what is lost', () => {
    const inputs = plateInputs(shrink, [SMALL_BOOK])
    const smaller = notch(inputs, 'disk-room', '32')
    expect(smaller.reasons).toEqual([{ code: 'disk-smaller', position: 0, has: 32, needs: 64 }])
    expect(mendNotch(inputs, smaller)).toBeUndefined()
    const letGo = mendLettingGo(inputs, smaller)!
    expect(letGo.machine.systemDisk.roomGiB).toBe(32)
    // What it has then is what it needs: nothing was let go for good.
    expect(letGo.machine.needs).toEqual(inputs.resolved.machine.needs)
    expect(losses(inputs.resolved, letGo.resolved)[0]).toEqual({
      kind: 'room',
      position: 0,
      from: 64,
      to: 32,
    })
  })

  test('stays closed where a person has said that it is needed', () => {
    const needs = { ...SMALL_MACHINE.needs, diskGiB: gib(64) }
    const inputs = plateInputs({ ...shrink, needs }, [SMALL_BOOK])
    expect(mendLettingGo(inputs, notch(inputs, 'disk-room', '32'))).toBeUndefined()
  })
})

describe('plates fold', () => {
  const folds = (part: Partial<Machine>, book = SMALL_BOOK) =>
    Object.fromEntries(platesOf(plateInputs(part, [book])).map(({ id, fold }) => [id, fold]))

  test('where they could neither save nor cost anything', () => {
    expect(folds({})).toMatchObject({
      size: undefined,
      terms: 'nothing-else-fits',
      'new-disk': 'only-adds',
      snapshots: 'nothing-else-fits',
    })
    // The free images of a book cost the same, and no other fits a machine of two vCPU.
    const free = { ...SMALL_BOOK, images: SMALL_BOOK.images.filter(({ licence }) => !licence) }
    expect(folds({}, free).image).toBe('same-cost')
    expect(folds({}, { ...free, images: free.images.slice(0, 1) }).image).toBe('only-choice')
  })

  test('where they are pinned', () => {
    expect(folds({ pinned: ['size', 'off'] })).toMatchObject({ size: 'pinned', off: 'pinned' })
  })

  test('and stand for each data disk, with its removal as a choice', () => {
    const dataDisks = [
      { kind: 'steps', roomGiB: gib(64) },
      { kind: 'gib', roomGiB: gib(48) },
    ]
    const book = { ...SMALL_BOOK, sizes: SMALL_BOOK.sizes.map((size) => ({ ...size, mostDisks: 8 })) }
    const part = { dataDisks, size: 'middle' }
    const disksOf = (needs: Partial<Needs>) => {
      const asked = { ...SMALL_MACHINE.needs, ...needs }
      const plates = platesOf(plateInputs({ ...part, needs: asked }, [book]))
      return plates.filter(({ decision }) => decision === 'data-disk')
    }
    const disks = disksOf({ disks: 'any' })
    expect(disks.map(({ id }) => id)).toEqual(['data-disk-1', 'data-disk-2'])
    expect(disks.map(({ notches, present }) => notches[present]?.key)).toEqual(['steps-64', 'gib-48'])
    const gone = cheapestNotch(disks[0]!)!
    expect(gone.choice).toMatchObject({ position: 1, disk: undefined })
    expect(compare(gone.difference!, parseDecimal('-5.05')!)).toBe(0)
    // Until somebody says that it may go, it stays.
    const [kept] = disksOf({})
    expect(kept!.notches.find(({ choice }) => 'disk' in choice && !choice.disk)!.reasons).toEqual([
      { code: 'disk-smaller', position: 1, has: 48, needs: 64 },
    ])
  })

  test('and steps of a size of free choice have plates of their own', () => {
    const inputs = plateInputs({ size: 'choice', chosen: { vcpu: 4, memoryGiB: gib(8) } }, [RULE_BOOK])
    expect(plateOf(inputs, 'vcpu').notches.map(({ key }) => key)).toEqual(['2', '4', '6', '8'])
    const memory = plateOf(inputs, 'memory').notches
    expect(memory).toHaveLength(63)
    expect(memory[0]?.reasons[0]?.code).toBe('too-little-memory')
  })
})
