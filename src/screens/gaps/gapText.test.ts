import { expect, test } from 'vitest'
import { gapAdvice } from '../../core/advice/gapAdvice.ts'
import { billingMonth } from '../../core/calendar/billingMonth.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { resolved } from '../../core/testing/resolved.ts'
import { gapNotes, wayLabel } from './gapText.ts'

const MARCH = billingMonth('2027-03' as YearMonth, 'Etc/UTC')

test('says what the cheapest state loses, and why others are closed', () => {
  const [free] = gapAdvice(resolved({ off: 'stopped' }), MARCH)
  expect(gapNotes(free!)).toMatch(/loses its memory/)
  const needs = { ...resolved().machine.needs, keeps: ['memory' as const] }
  const [kept] = gapAdvice(resolved({ off: 'stopped', needs }), MARCH)
  expect(gapNotes(kept!)).toMatch(/Deallocated is closed: deallocated does not keep memory\./)
  expect(gapNotes(kept!)).not.toMatch(/Left on is closed/)
})

test('a cell is heard with its cost, whether it is the cheapest, and why it is closed', () => {
  const needs = { ...resolved().machine.needs, keeps: ['memory' as const] }
  const [gap] = gapAdvice(resolved({ off: 'stopped', needs }), MARCH)
  const [best, closed] = [gap!.best!, gap!.ways.find(({ off }) => off === 'deallocated')!]
  expect(wayLabel(best, gap!, 'EUR')).toMatch(/^Hibernated, € \d+\.\d\d each time, the cheapest$/)
  expect(wayLabel(closed, gap!, 'EUR')).toMatch(/each time, closed: deallocated does not keep memory$/)
})
