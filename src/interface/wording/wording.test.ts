import { describe, expect, test } from 'vitest'
import { seconds } from '../../core/quantity/units.ts'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import type { FitReason } from '../../core/fit/fitReason.ts'
import type { Charge } from '../../core/meter/charge.ts'
import { rate } from '../../core/quantity/rate.ts'
import { gib } from '../../core/quantity/units.ts'
import { windowsOn, WORKDAYS, EVERY_DAY } from '../../core/testing/weeks.ts'
import { chargeArithmetic, chargeDetail, chargeRounding } from './charge.ts'
import { formatDifference, formatExact, formatMoney, groupDigits } from './money.ts'
import { reasonsText } from './reason.ts'
import { formatDuration, formatHours } from './time.ts'
import { weekText } from './week.ts'

const amount = (text: string) => parseDecimal(text)!

describe('money', () => {
  test.each([
    ['1234567.5', '1,234,567.50'],
    ['-1234.005', '−1,234.00'],
    ['0.999', '1.00'],
  ])('%s reads %s', (text, words) => expect(formatMoney(amount(text), 'EUR')).toBe(`€ ${words}`))

  test('a currency without a symbol, or unknown, is written by its code', () => {
    expect(formatMoney(amount('1'), 'CHF')).toBe('CHF 1.00')
    expect(formatMoney(amount('1'), 'QQQ')).toBe('QQQ 1.00')
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
      { code: 'not-sold-here', size: 'Heron 4/24', place: 'Porto b', soldIn: ['a', 'c'] },
      'Heron 4/24 is sold in zones a and c only',
    ],
    [
      { code: 'not-sold-here', size: 'Kite', place: 'Hobart a', soldIn: [] },
      'Kite is not sold in this region',
    ],
    [
      { code: 'too-few-iops', has: 2_036, needs: 3_000, limit: 'disk' },
      'the disk gives 2,036 IOPS, you need 3,000',
    ],
    [
      { code: 'no-room-for-memory', room: gib(32), used: gib(6), memory: gib(64) },
      '32 GiB disk has no room for 64 GiB of memory beside 6 in use',
    ],
  ])('%o', (reason, words) => expect(reasonsText([reason])).toBe(words))
})

test('a charge opens to arithmetic that gives its amount', () => {
  const charge: Charge = {
    meter: 'compute',
    subject: { of: 'size', name: 'Heron 4/16' },
    rate: rate('0.2067', 'hour', '/prices/porto/sizes/heron-4-16/perHour'),
    units: 1,
    time: seconds(828_000),
    month: seconds(2_678_400),
    rounding: {
      charged: seconds(828_000),
      trueTime: seconds(827_970),
      added: seconds(30),
      runs: 23,
      minimumSeconds: 60,
      incrementSeconds: 1,
    },
    amount: amount('47.541'),
  }
  expect(chargeDetail(charge)).toBe('230 h at 0.2067')
  expect(chargeArithmetic(charge)).toBe('828,000 s × 0.2067 an hour ÷ 3,600 s = 47.541')
  expect(chargeRounding(charge)).toBe(
    '23 runs, 229 h 59 min 30 s in all; 60 s at the least, then by the second: rounding added 30 s',
  )
})
