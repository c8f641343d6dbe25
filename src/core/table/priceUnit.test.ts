import { describe, expect, test } from 'vitest'
import { isPerRoom, priceUnitIn, unitWithin, type PriceUnit } from './priceUnit.ts'

describe('what one price is for', () => {
  test.each<[string, PriceUnit]>([
    ['gbp_per_hour', { period: 'hour' }],
    ['€/Monat', { period: 'month' }],
    ['rate_std_hr', { period: 'hour' }],
    ['USD per 730-hour month', { period: '730-hours' }],
    ['730 h', { period: '730-hours' }],
    ['perMonth', { period: 'month' }],
    ['price p.a. (year)', { period: 'year' }],
    ['INR per GiB-month', { period: 'month', room: 'GiB' }],
    ['$/h', { period: 'hour' }],
    ['cost per second', { period: 'second' }],
    ['amount', {}],
    ['shape', {}],
    ['Tag', {}],
    ['Min. price', {}],
    ['Preis/Tag', { period: 'day' }],
    ['Stundenpreis', { period: 'hour' }],
    ['Preis je Stunde', { period: 'hour' }],
    ['Prix mensuel', { period: 'month' }],
    ['Precio por día', { period: 'day' }],
    ['Precio por año', { period: 'year' }],
    ['Prijs per uur', { period: 'hour' }],
    ['10 Hours', { period: 'hour', count: 10 }],
    ['1,000 Hours', { period: 'hour', count: 1_000 }],
    ['1 Hour', { period: 'hour' }],
    ['Price per 720 hours (GBP)', { period: 'hour', count: 720 }],
    ['100 GiB-months', { period: 'month', room: 'GiB', count: 100 }],
    ['per TB-month', { period: 'month', room: 'TB' }],
    ['GB-month', { period: 'month', room: 'GB' }],
    ['per 10,000 operations', { count: 10_000 }],
    ['Cents per hour', { period: 'hour', parts: 100 }],
    ['price_micros_per_hour', { period: 'hour', parts: 1_000_000 }],
    ['per week (EUR)', { period: 'week' }],
    ['EUR per GiB and month', { period: 'month', room: 'GiB' }],
    ['and', {}],
    ['p.a.', { period: 'year' }],
    ['EUR per vCPU-hour', { period: 'hour', each: 'vcpu' }],
    ['Price per core and month', { period: 'month', each: 'core' }],
    ['vCPU hour', { period: 'hour', each: 'vcpu' }],
    ['vCPU', {}],
    ['EUR per minute', { period: 'minute' }],
    ['price per 5 min', { period: 'minute', count: 5 }],
  ])('%s', (text, expected) => {
    expect(priceUnitIn(text)).toEqual(expected)
  })

  test.each([
    ['EUR per GiB-hour', true],
    ['GB-hour', true],
    ['Preis je GB und Stunde', true],
    ['€/GiB', true],
    ['price_per_gb', true],
    ['16 GB, EUR/h', false],
    ['EUR per hour', false],
    ['memory (GiB)', false],
  ])('%s is for each GiB: %s', (text, expected) => {
    expect(isPerRoom(text)).toBe(expected)
  })

  test('a cell that names its own is not counted as its column', () => {
    const column: PriceUnit = { period: 'hour', count: 720, parts: 100, room: 'GiB' }
    expect(unitWithin({}, column)).toEqual(column)
    expect(unitWithin({ period: 'hour' }, column)).toEqual(column)
    expect(unitWithin({ period: 'month' }, column)).toEqual({ period: 'month', room: 'GiB' })
    expect(unitWithin({ room: 'TiB' }, column)).toEqual({ ...column, room: 'TiB' })
    expect(unitWithin({ count: 10 }, { period: 'hour' })).toEqual({ period: 'hour', count: 10 })
  })
})
