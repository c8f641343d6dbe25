import { describe, expect, test } from 'vitest'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { gib } from '../quantity/units.ts'
import { indexBook, zonesSelling } from './bookIndex.ts'
import { changeTimes } from './changeTimes.ts'
import { diskIops } from './diskPerformance.ts'
import { chargedRoom, diskRate, offeredRooms } from './diskRates.ts'
import { addressRate, memoryImageRate } from './regionRates.ts'
import { sizeRates } from './sizeRates.ts'

const index = indexBook(SMALL_BOOK)
const east = index.regions.get('east')!
const west = index.regions.get('west')!
const steps = index.diskKinds.get('steps')!
const byGiB = index.diskKinds.get('gib')!
const middle = index.sizes.get('middle')!
const onDemand = index.terms.get('on-demand')!

describe('rates of a book', () => {
  test('are read once, and point at where they stand', () => {
    const first = sizeRates(east, 'middle', onDemand)
    const pointer = '/prices/east/sizes/middle/perHour'
    expect(first?.parts).toMatchObject([{ base: 'machine', rate: { text: '0.2067', per: 'hour', pointer } }])
    expect(sizeRates(east, 'middle', onDemand)).toBe(first)
    expect(addressRate(east, 'fixed', 'unattached')).toMatchObject({ text: '0.0072' })
    expect(indexBook(SMALL_BOOK)).toBe(index)
  })

  test('are none where a thing is not sold', () => {
    expect(sizeRates(west, 'huge', onDemand)).toBeUndefined()
    expect(diskRate(west, byGiB, gib(50))).toBeUndefined()
    expect(addressRate(west, 'fixed', 'attachedOn')).toBeUndefined()
    expect(memoryImageRate(east)).toBeUndefined()
  })

  test('a size is sold in all zones of a region, in those it names, or in none', () => {
    expect(zonesSelling(east, 'middle')).toEqual(['a', 'b'])
    expect(zonesSelling(east, 'rare')).toEqual(['b'])
    expect(zonesSelling(west, 'rare')).toEqual([])
  })
})

describe('disk room', () => {
  test.each([
    [1, 32],
    [32, 32],
    [33, 64],
    [130, 256],
    [256, 256],
    [257, undefined],
  ])('%i GiB by steps is charged as %s', (asked, charged) => {
    expect(chargedRoom(steps, gib(asked), middle)).toBe(charged)
    expect(diskRate(east, steps, gib(asked))?.chargedGiB).toBe(charged)
  })

  test.each([
    [9, undefined],
    [10, 10],
    [55.5, 55.5],
    [101, undefined],
  ])('%d GiB by the GiB is charged as %s', (asked, charged) => {
    expect(chargedRoom(byGiB, gib(asked), middle)).toBe(charged)
    expect(diskRate(east, byGiB, gib(asked))?.parts[0]!.units).toBe(charged)
  })

  test('rooms that are offered lie within what the kind has', () => {
    expect(offeredRooms(steps)).toEqual([32, 64, 128, 256])
    expect(offeredRooms(byGiB)).toEqual([10, 12, 16, 24, 32, 48, 64, 96, 100])
  })

  test.each([
    [32, 740],
    [10, 500],
    [256, 5_000],
  ])('%i GiB give %i IOPS, within the least and the most', (room, iops) => {
    expect(diskIops(steps, gib(room))).toBe(iops)
  })
})

test.each([
  ['running', 16, 0, 0],
  ['stopped', 16, 20, 25],
  ['deallocated', 16, 30, 75],
  ['hibernated', 16, 46, 36],
  ['hibernated', 0.5, 31, 21],
] as const)('%s with %d GiB takes %i s to go and %i s to come back', (off, memory, leave, back) => {
  expect(changeTimes(SMALL_BOOK, off, gib(memory))).toEqual({ leave, return: back })
})
