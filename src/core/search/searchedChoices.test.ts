import { describe, expect, test } from 'vitest'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { neededRooms } from './neededRooms.ts'
import { dataDiskIn } from './searchedChoices.ts'

const BOOK = { ...RULE_BOOK, provider: { id: 'mill', name: 'Mill' } }
const machine: Partial<Machine> = {
  provider: 'mill',
  size: 'middle',
  image: 'free',
  systemDisk: { kind: 'gib', roomGiB: gib(40) },
}

describe('rooms among which the cheapest that fits is', () => {
  const gibs = BOOK.diskKinds.find(({ id }) => id === 'gib')!
  const roomsWith = (part: Partial<Machine>, week = OFFICE_WEEK) =>
    neededRooms(resolved({ ...machine, ...part }, week, BOOK), gibs)

  test('its own, and the least; where it hibernates, memory beside what the image uses', () => {
    expect(roomsWith({ off: 'deallocated' })).toEqual([40, 10])
    // 6 GiB used and 16 of memory.
    expect(roomsWith({ off: 'hibernated' })).toEqual([40, 22])
  })

  test('memory counts too where only the auto-shutdown hibernates', () => {
    const week = {
      ...OFFICE_WEEK,
      autoShutdown: { minute: 900, days: [0, 1] as const, off: 'hibernated' as const },
    }
    expect(roomsWith({ off: 'deleted' }, week)).toEqual([40, 22])
  })
})

test('a larger step that costs less than a smaller one is looked at too', () => {
  const steps = BOOK.diskKinds.find(({ id }) => id === 'steps')!
  const { disks } = BOOK.prices.east!
  const dear = { perMonthByStep: { 32: '2.62', 64: '12', 128: '9.86', 256: '19.12' } }
  const book = {
    ...BOOK,
    prices: { ...BOOK.prices, east: { ...BOOK.prices.east!, disks: { ...disks, steps: dear } } },
  }
  const part = { ...machine, systemDisk: { kind: 'steps', roomGiB: gib(64) }, off: 'deallocated' } as const
  const needing = { ...part, needs: { ...SMALL_MACHINE.needs, diskGiB: gib(40) } }
  expect(neededRooms(resolved(needing, OFFICE_WEEK, book), steps)).toEqual([64, 40, 128])
  // Where the least step will do, it is cheaper than both.
  expect(neededRooms(resolved(part, OFFICE_WEEK, book), steps)).toEqual([64, 10])
  expect(neededRooms(resolved(part, OFFICE_WEEK, BOOK), steps)).toEqual([64, 10])
})

describe('a data disk somewhere else', () => {
  const carrying = (...diskKinds: string[]) => {
    const sizes = BOOK.sizes.map((size) => (size.id === 'middle' ? { ...size, diskKinds } : size))
    return resolved(machine, OFFICE_WEEK, { ...BOOK, sizes })
  }

  test('stays on its kind, priced or coming with the size', () => {
    for (const kind of ['gib', 'own']) {
      const disk = { kind, roomGiB: gib(32) }
      expect(dataDiskIn(disk, carrying('gib', 'own'))).toBe(disk)
    }
  })

  test('is nowhere with a size that does not carry what comes with sizes', () => {
    expect(dataDiskIn({ kind: 'own', roomGiB: gib(32) }, carrying('gib'))).toBeUndefined()
  })
})
