// @vitest-environment happy-dom
import { cleanup, renderHook } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { parseDate } from '../../core/calendar/civil.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { instant } from '../../core/quantity/units.ts'
import { OFFICE_WEEK } from '../../core/testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../../core/testing/smallBook.ts'
import { useScheduleFiles } from './useScheduleFiles.ts'

const week = {
  ...OFFICE_WEEK,
  autoShutdown: { minute: 1_200, days: [0, 1, 2, 3, 4] as const, off: 'hibernated' as const },
}
const machine = { ...SMALL_MACHINE, week: week.id, off: 'stopped' as const }
const asked = {
  plan: { machines: [machine] },
  books: [SMALL_BOOK],
  month: '2027-03' as YearMonth,
  only: undefined,
  dates: { from: parseDate('2027-03-01')!, to: parseDate('2027-03-31')! },
  week,
  format: 'crontab' as const,
  safetyNet: true,
  scriptPath: '/opt/week.sh',
  base: 'week',
  made: instant(1_800_000_000),
}

afterEach(cleanup)

test('the files follow all that they are made of: books, machines, months, commands', () => {
  const { result, rerender } = renderHook(useScheduleFiles, { initialProps: asked })
  const text = (): string => result.current.files.map((file) => file.text).join('\n')
  const first = text()
  expect(first).toContain('hibernate')
  // Another tab takes a book into use whose provider has no such state: each goes off in its own way.
  const { hibernated, ...states } = SMALL_BOOK.states
  rerender({ ...asked, books: [{ ...SMALL_BOOK, states }] })
  expect(text()).not.toContain('hibernate')
  // No book is valid any more in the month that the address goes back to.
  rerender({ ...asked, month: '2026-12' as YearMonth })
  expect(text()).not.toContain('hibernate')
  rerender({ ...asked, plan: { machines: [{ ...machine, name: 'other' }] } })
  expect(text()).toContain('other')
  rerender({
    ...asked,
    plan: { ...asked.plan, commands: { stop: 'halt {machine}' } },
    format: 'apply-now',
  } as never)
  expect(text()).toContain('halt')
  rerender(asked)
  expect(text()).toBe(first)
})
