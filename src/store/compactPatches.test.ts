import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer'
import { expect, test } from 'vitest'
import { compactPatches, spreadPatches } from './compactPatches.ts'

enablePatches()

interface Entry {
  name: string
  off: string
  disk: { room: number; goes?: boolean }
  tags: string[]
}

const ENTRIES: Entry[] = Array.from({ length: 5_000 }, (_, i) => ({
  name: `entry ${i}`,
  off: i % 3 ? 'stopped' : 'deallocated',
  disk: { room: 32 },
  tags: [],
}))

/** What a change leads to over the patches that the store holds, and back. */
function thereAndBack(recipe: (draft: { entries: Entry[] }) => void) {
  const before = { entries: ENTRIES }
  const [after, forward, inverse] = produceWithPatches(before, recipe)
  const stored = [forward, inverse].map((patches) => JSON.stringify(compactPatches(patches)))
  const [there, back] = stored.map((text) => [...spreadPatches(JSON.parse(text) as Patch[])])
  expect(applyPatches(before, there!)).toEqual(after)
  expect(applyPatches(after, back!)).toEqual(before)
  return { bytes: stored.map((text) => text.length), plain: JSON.stringify([forward, inverse]).length }
}

test('one field of thousands of entries takes little room', () => {
  const { bytes, plain } = thereAndBack(({ entries }) => {
    for (const entry of entries) entry.off = 'hibernated'
  })
  expect(Math.max(...bytes)).toBeLessThan(plain / 10)
})

test.each<[string, (draft: { entries: Entry[] }) => void]>([
  [
    'a field that comes and one that goes',
    ({ entries }) => {
      for (const entry of entries.slice(0, 9)) {
        entry.disk.goes = true
        Reflect.deleteProperty(entry, 'tags')
      }
    },
  ],
  [
    'other values in each entry',
    ({ entries }) => {
      for (const [i, entry] of entries.entries()) entry.disk.room = i % 7
    },
  ],
  [
    'entries taken out',
    (draft) => {
      draft.entries = draft.entries.filter((_, i) => i % 5)
    },
  ],
  [
    'entries that move',
    ({ entries }) => {
      entries.splice(2, 4)
      entries[2]!.off = 'running'
      entries[7]!.off = 'running'
    },
  ],
  [
    'entries added',
    ({ entries }) => {
      entries.push({ ...ENTRIES[0]!, name: 'one more' }, { ...ENTRIES[0]!, name: 'two more' })
      entries[0]!.tags.push('a', 'b', 'c')
    },
  ],
  [
    'an entry and a part of it',
    ({ entries }) => {
      entries[1] = { ...ENTRIES[2]!, name: 'other' }
      entries[2]!.disk.room = 1
      entries[3]!.disk.room = 1
      entries[4]!.disk.room = 1
    },
  ],
])('%s, there and back', (_, recipe) => {
  thereAndBack(recipe)
})
