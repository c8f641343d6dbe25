import { describe, expect, test } from 'vitest'
import { indexBook } from '../catalogue/bookIndex.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import { gib } from '../quantity/units.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { carryOver } from './carryOver.ts'
import type { Decision } from '../machine/decision.ts'
import type { Machine } from '../machine/plan.ts'
import { resolveMachine } from '../machine/resolveMachine.ts'

const near = (part: Partial<Machine>, book = SMALL_BOOK) =>
  carryOver({ ...SMALL_MACHINE, ...part }, { weeks: [OFFICE_WEEK] }, indexBook(book))?.changes

describe('the nearest that a book sells', () => {
  test('is the machine itself where it is sold', () => {
    expect(near({})).toEqual([])
  })

  test('is what took the place of a withdrawn size, where the book says so', () => {
    const book = { ...SMALL_BOOK, replacedSizes: { older: 'middle' } }
    expect(near({ size: 'older' }, book)).toEqual([{ field: 'size', from: 'older', to: 'middle' }])
  })

  test('is else the cheapest size that has what is needed', () => {
    expect(near({ size: 'gone' })).toEqual([{ field: 'size', from: 'gone', to: 'small' }])
    expect(near({ size: 'gone', needs: { vcpu: 4, memoryGiB: gib(16), iops: 0 } })).toEqual([
      { field: 'size', from: 'gone', to: 'middle' },
    ])
    expect(near({ size: 'gone', needs: { vcpu: 4_000, memoryGiB: gib(16), iops: 0 } })).toBeUndefined()
  })

  test('changes disks, place, image and terms only where it must', () => {
    expect(
      near({ zone: 'z', terms: 'gone', image: 'gone', systemDisk: { kind: 'gone', roomGiB: gib(64) } }),
    ).toEqual([
      { field: 'zone', from: 'z', to: 'a' },
      { field: 'image', from: 'gone', to: 'free' },
      { field: 'terms', from: 'gone', to: 'On demand' },
      { field: 'disk', position: 0, from: 'gone', to: 'Steps' },
    ])
  })

  test('moves to a zone that sells the size only where the place is not pinned', () => {
    const machine = { ...SMALL_MACHINE, size: 'rare', zone: 'a', off: 'stopped' as const }
    const kept = (...decisions: Decision[]) =>
      carryOver(machine, { weeks: [OFFICE_WEEK] }, indexBook(SMALL_BOOK), { kept: new Set(decisions) })
    expect(kept('size')?.changes).toEqual([{ field: 'zone', from: 'a', to: 'b' }])
    expect(kept('size', 'place')).toBeUndefined()
    // Without the size pinned another one of the same zone stands in.
    expect(kept('place')?.machine).toMatchObject({ zone: 'a', region: 'east' })
    expect(kept()?.machine.zone).toBe('a')
  })

  test.each(DEMO_BOOKS.map((book) => [book.provider.name, book] as const))('of %s fits', (_, book) => {
    const index = indexBook(book)
    const offer = carryOver(
      { ...SMALL_MACHINE, size: 'gone', off: 'hibernated' },
      { weeks: [OFFICE_WEEK] },
      index,
    )!
    const resolved = resolveMachine(offer.machine, { weeks: [OFFICE_WEEK] }, index)
    expect(resolved.ok && fitReasons(resolved.value)).toEqual([])
  })
})
