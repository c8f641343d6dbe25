import { expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { besideClock } from './besideClock.ts'

const beside = (own: string, other: string, month: string) => besideClock(own, other, month as YearMonth)

test('says how far a second clock is ahead, and the day on which that changes', () => {
  expect(beside('Europe/Lisbon', 'Asia/Kolkata', '2027-03')).toEqual({
    ahead: 330,
    text: 'Asia/Kolkata is 5 h 30 min ahead, from 28 March on 4 h 30 min ahead',
  })
  expect(beside('Asia/Kolkata', 'Europe/Lisbon', '2027-02').text).toBe('Europe/Lisbon is 5 h 30 min behind')
})

test('two clocks that change together stay as far apart', () => {
  expect(beside('Europe/Lisbon', 'Europe/Madrid', '2027-03').text).toBe('Europe/Madrid is 1 h ahead')
  expect(beside('Europe/Lisbon', 'Europe/London', '2027-03').text).toBe('Europe/London is on the same time')
})
