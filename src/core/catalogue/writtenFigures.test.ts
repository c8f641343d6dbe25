import { expect, test } from 'vitest'
import { gib } from '../quantity/units.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { changeTimes } from './changeTimes.ts'
import { diskIops } from './diskPerformance.ts'

/** Figures of a book are decimals, which binary arithmetic would miss by a little, and then by a whole second. */
test.each([
  [0.1, 30, 3],
  [0.1, 31, 4],
  [1.1, 30, 33],
  [0.07, 100, 7],
  [1e-7, 1, 1],
])('%s seconds for each of %s GiB are %s', (secondsPerGiB, memory, expected) => {
  const change = { seconds: 0, secondsPerGiB }
  const stopped = { ...SMALL_BOOK.states.stopped!, leave: change, return: change }
  const book = { ...SMALL_BOOK, states: { ...SMALL_BOOK.states, stopped } }
  expect(changeTimes(book, 'stopped', gib(memory))).toEqual({ leave: expected, return: expected })
})

test.each([
  [0.57, 100, 57],
  [0.29, 100, 29],
  [3, 128, 384],
])('%s IOPS for each of %s GiB are %s', (perGiB, room, expected) => {
  const kind = { ...SMALL_BOOK.diskKinds[0]!, iops: { base: 0, perGiB, least: 0, most: 10_000 } }
  expect(diskIops(kind, room)).toBe(expected)
})
