import { expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { finishLater } from '../../core/finish.ts'
import type { Plan } from '../../core/machine/plan.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { toDecimal } from '../../core/quantity/decimal.ts'
import { OFFICE_WEEK } from '../../core/testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../../core/testing/smallBook.ts'
import { gib } from '../../core/quantity/units.ts'
import { weekOf, windowsOn, WORKDAYS } from '../../core/testing/weeks.ts'
import { focusCsv } from '../focus/focusCsv.ts'
import { billAnswer } from './billAnswer.ts'
import { readBill } from './readBill.ts'

const month = '2027-03' as YearMonth
const books = [SMALL_BOOK]
const utc = { ...weekOf('Etc/UTC', windowsOn(WORKDAYS, '08:00-18:00')), id: 'day' }
const PLAN: Plan = {
  name: 'p',
  month,
  weeks: [utc, OFFICE_WEEK],
  machines: [{ ...SMALL_MACHINE, week: OFFICE_WEEK.id }],
}
const stranger = {
  ...SMALL_MACHINE,
  name: 'stranger',
  size: 'small',
  week: 'day',
  systemDisk: { kind: 'steps', roomGiB: gib(64) },
  dataDisks: [{ kind: 'gib', roomGiB: gib(20) }],
  address: 'fixed' as const,
}

const totalOf = (plan: Plan, name: string): string => {
  const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
  const result = pricing.of(plan.machines.find((each) => each.name === name)!)
  return result.ok ? toDecimal(result.estimate.total, 2) : 'no price'
}

async function answerOf(billed: Plan, plan = PLAN, books_ = books) {
  const pricing = new PlanPricing({ plan: billed, books, month, reading: 'calendar' })
  const priced = billed.machines.map((machine) => pricing.of(machine)).filter((result) => result.ok)
  const file = new Blob([focusCsv(priced, 'day')])
  const reading = await finishLater(readBill({ files: [{ name: 'b.csv', file }], timeZone: 'Etc/UTC' }))
  if (!reading.ok) throw new Error('not read')
  return billAnswer(reading.value, { plan, books: books_, month })
}

test('a machine that the plan lacks is taken as billed, on a week that the plan has, and the bill then agrees', async () => {
  const real = { ...PLAN, machines: [...PLAN.machines, stranger] }
  const { unplanned } = await answerOf(real)
  const found = unplanned.get('stranger')!
  expect(found.machine).toMatchObject({
    provider: 'mill',
    region: 'east',
    size: 'small',
    terms: 'on-demand',
    systemDisk: { kind: 'steps', roomGiB: 64 },
    dataDisks: [{ kind: 'gib', roomGiB: 20 }],
    address: 'fixed',
    week: 'day',
  })
  expect(found.isNewWeek).toBe(false)
  const added = { ...PLAN, machines: [...PLAN.machines, found.machine] }
  expect(totalOf(added, 'stranger')).toBe(totalOf(real, 'stranger'))
  const after = await answerOf(real, added)
  expect(after.currencies[0]!.causes).toEqual([])
  expect(after.unplanned.size).toBe(0)
})

test('it gets a week of its own where the plan has none like it, and is not offered where no book has its size', async () => {
  const weeks = [OFFICE_WEEK, { ...utc, windows: windowsOn([2], '06:00-12:00') }]
  const real = { ...PLAN, weeks, machines: [...PLAN.machines, stranger] }
  const { unplanned } = await answerOf(real)
  const { week, isNewWeek } = unplanned.get('stranger')!
  expect([isNewWeek, week.windows.map(({ day, from, to }) => [day, to - from])]).toEqual([true, [[2, 360]]])
  const other = { ...SMALL_BOOK, sizes: SMALL_BOOK.sizes.filter(({ id }) => id === 'middle') }
  const { unplanned: none } = await answerOf(real, PLAN, [other])
  expect([...none.keys()]).toEqual([])
})
