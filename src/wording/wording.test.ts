import { describe, expect, test } from 'vitest'
import { NO_CURRENCY } from '../core/quantity/currency.ts'
import { parseDecimal } from '../core/quantity/decimal.ts'
import type { Choice } from '../core/decisions/choice.ts'
import { OFFICE_WEEK, resolved } from '../core/testing/resolved.ts'
import { parseDate } from '../core/calendar/civil.ts'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import type { FitReason } from '../core/fit/fitReason.ts'
import { gib } from '../core/quantity/units.ts'
import { windowsOn, WORKDAYS, EVERY_DAY } from '../core/testing/weeks.ts'
import { formatDifference, formatExact, formatMoney } from './money.ts'
import { reasonsText } from './reason.ts'
import { choiceWords, notchDifference } from './choice.ts'
import { formatDay, formatDuration, formatHours, formatMonth } from './time.ts'
import { weekText } from './week.ts'
import { groupDigits } from './number.ts'

const amount = (text: string) => parseDecimal(text)!

describe('money', () => {
  test.each([
    ['1234567.5', '€ 1,234,567.50'],
    ['-1234.005', '−€ 1,234.01'],
    ['0.999', '€ 1.00'],
  ])('%s reads %s', (text, words) => expect(formatMoney(amount(text), 'EUR')).toBe(words))

  test('a currency without a symbol, or unknown, is written by its code', () => {
    expect(formatMoney(amount('1'), 'CHF')).toBe('CHF 1.00')
    expect(formatMoney(amount('1'), 'QQQ')).toBe('QQQ 1.00')
    expect(formatMoney(amount('1'), NO_CURRENCY)).toBe('1.00')
  })

  test.each([
    ['51.59', '58.17', '−6.58'],
    ['67.43', '58.17', '+9.26'],
    ['1.0049', '1.0001', '+0.0048'],
    ['1.000001', '1', '+0.0001 or less'],
    ['1', '1', '0.00'],
    ['10.006', '10.004', '+0.01'],
  ])('from %2$s to %1$s is %3$s, as the shown figures differ', (to, from, words) => {
    expect(formatDifference(amount(to), amount(from))).toBe(words)
  })

  test('exact figures keep their digits and lose empty ones', () => {
    expect(formatExact(amount('58.171559'))).toBe('58.171559')
    expect(formatExact({ n: 1n, d: 3n })).toBe('0.333333333333')
    expect(groupDigits('1000')).toBe('1,000')
  })
})

test('time', () => {
  expect(formatDuration(828_690)).toBe('230 h 11 min 30 s')
  expect(formatDuration(0)).toBe('0 h')
  expect(formatHours(600_300)).toBe('166.75 h')
  expect(formatDay(parseDate('2027-03-19')!)).toBe('19 March')
  expect(formatMonth('2027-03' as YearMonth)).toBe('March 2027')
})

describe('weeks', () => {
  test.each([
    [windowsOn(WORKDAYS, '08:00-18:00'), 'Mon to Fri 08:00–18:00'],
    [windowsOn(EVERY_DAY, '22:00-06:00'), 'daily 22:00–06:00+1'],
    [
      windowsOn([0, 2], '09:00-12:00', '13:00-17:00'),
      'Mon 09:00–12:00, 13:00–17:00, Wed 09:00–12:00, 13:00–17:00',
    ],
    [[], 'never on'],
  ])('%#: %j', (windows, words) => expect(weekText({ windows })).toBe(words))
})

describe('reasons', () => {
  test.each<[FitReason, string]>([
    [{ code: 'too-few-vcpu', has: 2, needs: 4, by: 'needs' }, '2 vCPU, you need 4'],
    [
      { code: 'too-little-memory', has: gib(8), needs: gib(16), by: 'image' },
      '8 GiB of memory, the image needs 16',
    ],
    [
      { code: 'too-few-iops', has: 2_036, needs: 3_000, limit: 'disk' },
      'the disks give 2,036 IOPS, you need 3,000',
    ],
    [
      { code: 'too-few-iops', has: 640, needs: 3_000, limit: 'size' },
      'the size allows 640 IOPS, you need 3,000',
    ],
    [
      { code: 'not-sold-here', size: 'Heron 4/24', place: 'Porto b', soldIn: ['a', 'c'] },
      'Heron 4/24 is sold in zones a and c only',
    ],
    [
      { code: 'not-sold-here', size: 'Heron 4/24', place: 'Porto b', soldIn: ['a'] },
      'Heron 4/24 is sold in zone a only',
    ],
    [
      { code: 'not-sold-here', size: 'Kite', place: 'Hobart a', soldIn: [] },
      'Kite is not sold in this region',
    ],
    [
      {
        code: 'disk-kind-not-carried',
        size: 'Wren 1/1',
        kind: 'Flare',
        carries: ['Millstone', 'Tinder', 'Ember'],
      },
      'Wren 1/1 cannot carry Flare, only Millstone, Tinder and Ember',
    ],
    [{ code: 'disk-kind-not-sold-here', kind: 'Flare', place: 'Hobart' }, 'Flare is not sold in Hobart'],
    [{ code: 'disk-kind-does-not-boot', kind: 'Slab' }, 'Slab cannot hold a system'],
    [{ code: 'too-many-disks', has: 5, most: 4 }, 'carries 4 disks, this machine has 5'],
    [
      { code: 'room-not-offered', kind: 'Ember', asked: gib(9_000), most: gib(4_096) },
      'Ember has no disk of 9000 GiB, 4,096 at most',
    ],
    [
      { code: 'address-not-sold-here', sort: 'fixed', place: 'Hobart' },
      'no fixed public address is sold in Hobart',
    ],
    [
      { code: 'wrong-architecture', image: 'Harbour Server', has: 'arm64', needs: ['x86-64'] },
      'is arm64, Harbour Server is made for x86-64',
    ],
    [
      { code: 'image-too-large', image: 'Harbour Server', has: gib(32), needs: gib(40) },
      '32 GiB, Harbour Server needs 40',
    ],
    [{ code: 'state-not-offered', state: 'stopped', provider: 'Mill' }, 'Mill has no such state'],
    [{ code: 'no-hibernation', by: 'image', name: 'Corrie Linux' }, 'Corrie Linux cannot hibernate'],
    [
      { code: 'over-hibernation-limit', memory: gib(128), most: gib(64) },
      '128 GiB of memory, at most 64 can hibernate',
    ],
    [
      { code: 'no-room-for-memory', room: gib(32), used: gib(6), memory: gib(64) },
      '32 GiB disk has no room for 64 GiB of memory beside 6 in use',
    ],
  ])('%o', (reason, words) => expect(reasonsText([reason])).toBe(words))

  test('several are one sentence', () => {
    const image = { code: 'no-hibernation', by: 'image', name: 'Corrie Linux' } as const
    expect(reasonsText([image, { ...image, by: 'size', name: 'Wren 1/1' }])).toBe(
      'Corrie Linux cannot hibernate; Wren 1/1 cannot hibernate',
    )
  })
})

describe('choices', () => {
  const machine = resolved()
  test.each<[Choice, string, string]>([
    [{ decision: 'size', size: 'arm' }, 'arm', '4 vCPU, 16 GiB, arm64'],
    [{ decision: 'place', provider: 'mill', region: 'west', zone: 'a' }, 'West a', 'CA'],
    [{ decision: 'disk-kind', kind: 'gib' }, 'Gibs', 'up to 9,000 IOPS'],
    [{ decision: 'disk-room', roomGiB: gib(130) }, '130 GiB', 'charged as 256'],
    [{ decision: 'disk-room', roomGiB: gib(999) }, '999 GiB', 'no such room'],
    [{ decision: 'off', off: 'stopped' }, 'Stopped', 'hardware kept for it'],
    [{ decision: 'terms', terms: 'year' }, 'One year', '12 months, on or off'],
    [
      { decision: 'image', image: 'sealed', ownLicence: true },
      'sealed, own licence',
      'licence brought along',
    ],
    [{ decision: 'new-disk', disk: { kind: 'steps', roomGiB: gib(50) } }, 'Steps 50 GiB', 'charged as 64'],
    [{ decision: 'data-disk', position: 1, disk: undefined }, 'None', 'no such disk'],
    [{ decision: 'snapshots', scheme: { every: 'day', kept: 7 } }, '7 daily', 'of each disk'],
    [{ decision: 'address', address: 'changing' }, 'Changing', 'lost when the hardware is given back'],
    [{ decision: 'traffic', trafficOutGiB: gib(2_500) }, '2,500 GiB', 'a month'],
    [{ decision: 'week', week: OFFICE_WEEK }, 'Week', 'Mon to Fri 08:00–18:00'],
  ])('%o', (choice, name, about) => expect(choiceWords({ choice }, machine)).toEqual({ name, about }))

  test('a choice without a price says so', () => {
    const notch = {
      key: 'x',
      choice: { decision: 'size', size: 'x' },
      isPresent: false,
      reasons: [],
    } as const
    expect(notchDifference({ ...notch, total: undefined, difference: undefined })).toBe('no price')
    expect(notchDifference({ ...notch, total: amount('51.59'), difference: amount('-6.58') })).toBe('−6.58')
  })
})
