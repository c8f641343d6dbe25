import { describe, expect, test } from 'vitest'
import { billNumber } from './billNumber.ts'
import { focusUnit, secondsOfUnit } from './focusUnit.ts'

describe('units of a bill', () => {
  test.each([
    ['Hours', 1, undefined, 'Hour'],
    ['GiB-Hours', 1, 'GiB', 'Hour'],
    ['GB-Months', 1, 'GB', 'Month'],
    ['vCPU-Hours', 1, 'vCPU', 'Hour'],
    ['GB/Hour', 1, 'GB', 'Hour'],
    ['10000 Requests', 10_000, 'Request', undefined],
    ['1000 GB-Days', 1_000, 'GB', 'Day'],
    ['MiB', 1, 'MiB', undefined],
    ['IOPS-Months', 1, 'IOPS', 'Month'],
  ])('%s', (text, count, thing, time) => {
    expect(focusUnit(text)).toEqual({ count, thing, time })
  })

  test.each(['', 'GiB-', '0 Hours', 'a/b/c', '€'])('“%s” is none', (text) => {
    expect(focusUnit(text)).toBeUndefined()
  })

  test('time alone has seconds, months have none', () => {
    const seconds = (text: string) => secondsOfUnit(focusUnit(text)!)
    expect(['Hours', '10 Minutes', 'Days', 'Months', 'GiB-Hours'].map(seconds)).toEqual([
      3_600n,
      600n,
      86_400n,
      undefined,
      undefined,
    ])
  })
})

describe('figures of a bill', () => {
  test.each([
    ['0.2067', 2_067n, 10_000n],
    ['-12.5', -125n, 10n],
    ['+3', 3n, 1n],
    ['.5', 5n, 10n],
    ['7.', 7n, 1n],
    ['1.2E-7', 12n, 10n ** 8n],
    ['2e3', 2_000n, 1n],
    ['123456789012345678901234567890.123', 123456789012345678901234567890123n, 1_000n],
  ])('%s', (text, n, d) => {
    expect(billNumber(text)).toEqual({ n, d })
  })

  test.each(['', '.', '-', '1,5', '1e999', 'NaN', '0x10', '9'.repeat(61)])('“%s” is none', (text) => {
    expect(billNumber(text)).toBeUndefined()
  })
})
