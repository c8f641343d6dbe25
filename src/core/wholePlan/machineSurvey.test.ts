import fc from 'fast-check'
import { expect, test, vi } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { finish } from '../finish.ts'
import type { Machine } from '../machine/plan.ts'
import * as plates from '../notches/plates.ts'
import { anyMachineOf, anyWeek } from '../testing/anyMachines.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { surveyPlan, type Survey, type SurveyInputs } from './surveyPlan.ts'
import { randomRuns } from '../testing/randomRuns.ts'

vi.mock('../notches/plates.ts', { spy: true })

const survey = (inputs: SurveyInputs): Survey => finish(surveyPlan(inputs))
/** Of books and machines that nothing is known of. */
const coldSurvey = (inputs: SurveyInputs): Survey => survey(structuredClone(inputs))

const inputsOf = (plan: SurveyInputs['plan'], books: SurveyInputs['books']): SurveyInputs => ({
  plan,
  books,
  month: '2027-03' as YearMonth,
  reading: 'calendar',
  currency: 'EUR',
  decimals: 2,
})

/** Machines that are alike, some of which use what their account shares, and one that changes. */
const anyEdited = fc
  .tuple(fc.constantFrom(...DEMO_BOOKS), anyWeek('one'), anyWeek('two'))
  .chain(([book, one, two]) =>
    fc.record({
      weeks: fc.constant([one, two]),
      forms: fc.array(anyMachineOf(book, ['one', 'two']), { minLength: 1, maxLength: 3 }),
      likes: fc.array(fc.nat(2), { minLength: 2, maxLength: 5 }),
      at: fc.nat(4),
      other: anyMachineOf(book, ['one', 'two']),
      changesWeek: fc.boolean(),
    }),
  )

test('what is known from before, and of machines that are the same, is what each would be found to be anew', () => {
  fc.assert(
    fc.property(anyEdited, ({ weeks, forms, likes, at, other, changesWeek }) => {
      const machines = likes.map((like, i): Machine => ({
        ...forms[like % forms.length]!,
        name: `machine ${i}`,
        purpose: `purpose ${i}`,
      }))
      const before = { machines, weeks }
      const [one, two] = weeks as [(typeof weeks)[0], (typeof weeks)[0]]
      const after = changesWeek
        ? { machines, weeks: [{ ...one, windows: two.windows }, two] }
        : {
            machines: machines.with(at % machines.length, {
              ...other,
              name: `machine ${at % machines.length}`,
            }),
            weeks,
          }
      for (const plan of [before, after, before]) {
        const inputs = inputsOf(plan, DEMO_BOOKS)
        expect(survey(inputs)).toEqual(coldSurvey(inputs))
      }
    }),
    randomRuns(4),
  )
})

const small = (count: number): Machine[] =>
  Array.from({ length: count }, (_, i) => ({
    ...SMALL_MACHINE,
    name: `machine ${i}`,
    off: i % 2 ? 'stopped' : 'deallocated',
  }))

test('of many machines that are the same one is looked at, and after an edit the one that changed', () => {
  const looked = (inputs: SurveyInputs): number => {
    vi.mocked(plates.platesOf).mockClear()
    survey(inputs)
    return vi.mocked(plates.platesOf).mock.calls.length
  }
  const books = [structuredClone(SMALL_BOOK)]
  const plan = { machines: small(50), weeks: [OFFICE_WEEK] }
  expect(looked(inputsOf(plan, books))).toBe(2)
  expect(looked(inputsOf(plan, books))).toBe(0)
  const machines = plan.machines.with(4, { ...plan.machines[4]!, size: 'small' })
  expect(looked(inputsOf({ ...plan, machines }, books))).toBe(1)
  // Another week may be chosen by all.
  expect(looked(inputsOf({ ...plan, weeks: [OFFICE_WEEK, { ...OFFICE_WEEK, id: 'other' }] }, books))).toBe(2)
})

test('what mends a machine keeps what it is called and what was noted of it', () => {
  const noted = { accepted: [{ finding: 'left-on', note: 'known' }], purpose: 'to be kept' }
  const machines = small(4).map((machine, i) => ({ ...machine, size: 'arm', ...(i === 2 && noted) }))
  const { findings } = survey(inputsOf({ machines, weeks: [OFFICE_WEEK] }, [structuredClone(SMALL_BOOK)]))
  const mends = findings.flatMap(({ machine, finding }) =>
    finding.mend ? [[machine, finding.mend.machine] as const] : [],
  )
  expect(mends.length).toBeGreaterThan(3)
  for (const [name, mended] of mends) {
    expect(mended.name).toBe(name)
    expect(mended.accepted).toEqual(name === 'machine 2' ? noted.accepted : undefined)
    expect(mended.purpose).toBe(name === 'machine 2' ? 'to be kept' : '')
  }
})
