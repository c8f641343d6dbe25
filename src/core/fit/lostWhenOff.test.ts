import { describe, expect, test } from 'vitest'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { WORKDAYS } from '../testing/weeks.ts'
import { fitReasons } from './fitReasons.ts'
import { lostByItself, lostWhenOff } from './lostWhenOff.ts'

const KEPT_STOP = RULE_BOOK
/** A provider whose stop gives the hardware back. */
const BARE_STOP = {
  ...RULE_BOOK,
  states: { ...RULE_BOOK.states, stopped: { ...RULE_BOOK.states.stopped!, compute: false } },
}
const LOCAL = { size: 'flat', systemDisk: { kind: 'own', roomGiB: gib(60) }, terms: 'flat' } as const

const CASES: [string, Partial<Machine>, typeof RULE_BOOK, string[]][] = [
  ['never off', { off: 'running', address: 'changing' }, KEPT_STOP, []],
  ['stopped and kept', { off: 'stopped', address: 'changing' }, KEPT_STOP, ['memory']],
  [
    'stopped and given back',
    { off: 'stopped', address: 'changing' },
    BARE_STOP,
    ['memory', 'address', 'hardware'],
  ],
  ['hibernated', { off: 'hibernated', address: 'changing' }, KEPT_STOP, ['address', 'hardware']],
  ['deallocated with a fixed address', { address: 'fixed' }, KEPT_STOP, ['memory', 'hardware']],
  ['deallocated with a local disk', LOCAL, KEPT_STOP, ['memory', 'local-disk', 'hardware']],
  ['stopped with a local disk', { ...LOCAL, off: 'stopped' }, KEPT_STOP, ['memory']],
  [
    'stopped, and deallocated over a weekend',
    { off: 'stopped', longGaps: [{ fromMinutes: 1_440, off: 'deallocated' }] },
    KEPT_STOP,
    ['memory', 'hardware'],
  ],
]

describe('what is lost each time that a machine goes off', () => {
  test.each(CASES)('%s', (_, part, book, lost) => {
    const machine = resolved(part, OFFICE_WEEK, book)
    expect(lostByItself(machine)).toEqual(lost)
    expect(lostWhenOff(machine)).toEqual(lost)
  })

  test('an auto-shutdown loses what the machine itself would keep', () => {
    const week = {
      ...OFFICE_WEEK,
      autoShutdown: { minute: 1_140, days: WORKDAYS, off: 'deallocated' as const },
    }
    const machine = resolved({ off: 'stopped' }, week, RULE_BOOK)
    expect(lostByItself(machine)).toEqual(['memory'])
    expect(lostWhenOff(machine)).toEqual(['memory', 'hardware'])
  })

  test.each(CASES)('what is lost is what may not be asked to be kept: %s', (_, part, book, lost) => {
    for (const what of ['memory', 'local-disk', 'hardware'] as const) {
      const needs = { vcpu: 0, memoryGiB: gib(0), iops: 0, keeps: [what] }
      const reasons = fitReasons(resolved({ ...part, needs }, OFFICE_WEEK, book))
      expect(reasons.some(({ code }) => code === 'not-kept')).toBe(lost.includes(what))
    }
  })
})
