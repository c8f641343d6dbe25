import { describe, expect, test } from 'vitest'
import { hourByState } from '../core/meter/hourByState.ts'
import { DEMO_BOOKS } from '../core/testing/demoBooks.ts'
import { RULE_BOOK } from '../core/testing/ruleBook.ts'
import { pricedTogether } from '../core/testing/smallPlan.ts'
import { gib } from '../core/quantity/units.ts'
import { bookEntries, regionOfPointer } from './bookEntries.ts'
import { hourSentences } from './hours.ts'

const valueAt = (document: unknown, pointer: string): unknown =>
  pointer
    .slice(1)
    .split('/')
    .reduce((value, step) => (value as Record<string, unknown>)[step], document)

describe('a book as a person reads it', () => {
  test.each(DEMO_BOOKS.map((book) => [book.provider.name, book] as const))(
    'every rate of %s stands once, as it is in the file',
    (_, book) => {
      const seen = new Set<string>()
      for (const { id } of book.regions) {
        for (const entry of bookEntries(book, id)) {
          if (entry.sort !== 'rate') continue
          expect(valueAt(book, entry.pointer)).toBe(entry.text)
          seen.add(entry.pointer)
        }
      }
      expect([...ratePointers(book.prices, '/prices')].filter((pointer) => !seen.has(pointer))).toEqual([])
    },
  )

  test('a pointer names its region', () => {
    expect(regionOfPointer('/prices/porto/sizes/x/perHour')).toBe('porto')
    expect(regionOfPointer('/licences/0/perVcpuHour')).toBeUndefined()
  })
})

/** Every price text below a value: zones and words about interruption are no prices. */
function* ratePointers(value: unknown, at: string): Generator<string> {
  if (typeof value === 'string') {
    if (/^\d/.test(value) && !at.endsWith('interruption')) yield at
    return
  }
  if (typeof value !== 'object' || value === null) return
  for (const [key, item] of Object.entries(value))
    if (key !== 'zones') yield* ratePointers(item, `${at}/${key}`)
}

describe('what off still costs, in a sentence', () => {
  const sentences = (part: Parameters<typeof pricedTogether>[0][number]) => {
    const [priced] = pricedTogether([part], RULE_BOOK)
    const { resolved, month, estimate } = priced!
    return hourSentences(hourByState(resolved, month), estimate.currency, resolved.terms.kind === 'flat')
  }

  test('stopped keeps the hardware; the others keep what goes on', () => {
    expect(sentences({ address: 'fixed' })).toEqual([
      'Stopped: still € 0.2240 an hour, the hardware is kept for you.',
      'Deallocated: still € 0.0173 an hour: disks and public address go on.',
      'Hibernated: still € 0.0183 an hour: disks, public address and memory kept on disk go on.',
      'Deleted: still € 0.0205 an hour: disks and public address are left over.',
    ])
  })

  test('nothing is said of a state that is free', () => {
    const gone = { kind: 'steps', roomGiB: gib(128), goes: true }
    expect(sentences({ systemDisk: gone }).filter((text) => text.startsWith('Deleted'))).toEqual([])
  })

  test('a flat plan runs until the machine is deleted', () => {
    const own = { kind: 'own', roomGiB: gib(60) }
    expect(sentences({ size: 'flat', terms: 'flat', off: 'stopped', systemDisk: own })[0]).toBe(
      'Stopped and deallocated: still € 0.0132 an hour, a flat plan runs until the machine is deleted.',
    )
  })
})
