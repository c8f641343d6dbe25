import { describe, expect, test } from 'vitest'
import type { ShareGroup } from '../../core/wholePlan/foldShares.ts'
import { parseDecimal, toDecimal } from '../../core/quantity/decimal.ts'
import { instant } from '../../core/quantity/units.ts'
import { OFFICE_WEEK } from '../../core/testing/resolved.ts'
import { SMALL_BOOK } from '../../core/testing/smallBook.ts'
import { creditEndText } from '../../wording/creditEndText.ts'
import { groupName } from './groupName.ts'
import { instantText } from '../../wording/instantText.ts'
import { joinGroups } from './joinGroups.ts'

const at = (text: string) => instant(Date.parse(text) / 1_000)

test.each([
  ['2027-05-24T11:40:28Z', 'Europe/Lisbon', '24 May 2027 at 12:40'],
  ['2027-05-24T11:40:28Z', 'Asia/Kolkata', '24 May 2027 at 17:10'],
  ['2027-12-31T23:59:59Z', 'Etc/UTC', '31 December 2027 at 23:59'],
])('%s in %s is %s', (time, zone, text) => {
  expect(instantText(at(time), zone)).toBe(text)
})

describe('how long a credit lasts', () => {
  const span = { from: at('2027-03-01T00:00:00Z'), to: at('2027-10-01T00:00:00Z') }
  const runway = { currency: 'EUR', span, months: [], payments: [], points: [], leftOut: [] }

  test('until a minute, until it expires, or not at all', () => {
    const used = { kind: 'used-up', at: at('2027-05-24T11:40:28Z') } as const
    expect(creditEndText({ ...runway, end: used }, 'Etc/UTC')).toBe('until 24 May 2027 at 11:40')
    const left = { kind: 'expires', at: span.to, left: parseDecimal('6.479')! } as const
    expect(creditEndText({ ...runway, end: left }, 'Etc/UTC')).toBe(
      'until it expires, with € 6.48 left unused',
    )
    const none = { kind: 'used-up', at: span.from } as const
    expect(creditEndText({ ...runway, end: none }, 'Etc/UTC')).toBe('not at all: it is used up at its start')
  })
})

describe('machines that are put together', () => {
  test.each([
    ['machine', 'lab', 'lab'],
    ['provider', 'mill', 'Mill'],
    ['provider', 'gone', 'gone'],
    ['region', 'mill/west', 'West, Mill'],
    ['region', 'gone/far', 'far, gone'],
    ['week', OFFICE_WEEK.id, OFFICE_WEEK.name],
    ['cost-centre', '', 'no cost centre'],
    ['tag:team', '', 'no team'],
    ['tag:team', 'rail', 'rail'],
  ] as const)('by %s, %s are called %s', (fold, key, name) => {
    expect(groupName(fold, key, { weeks: [OFFICE_WEEK] }, [SMALL_BOOK])).toBe(name)
  })

  test('the smallest are one, and lose no cent', () => {
    const group = (key: string, total: string): ShareGroup => ({
      key,
      machines: [key],
      total: parseDecimal(total)!,
      kept: parseDecimal('0.01')!,
      asked: parseDecimal(total)!,
      leak: parseDecimal('0')!,
      saved: parseDecimal('9')!,
    })
    const joined = joinGroups([group('a', '1.25'), group('b', '2.5'), group('c', '0.01')])
    expect([toDecimal(joined.total, 2), toDecimal(joined.saved, 0), joined.machines]).toEqual([
      '3.76',
      '27',
      ['a', 'b', 'c'],
    ])
  })
})
