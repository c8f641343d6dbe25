import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { applyChoice } from '../decisions/choice.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { toNumber } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import { DEMO_BOOKS } from '../testing/demoBooks.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { movedPlate } from './movedPlate.ts'
import { isOpen, type Plate } from './plate.ts'
import { platesOf } from './plates.ts'
import { randomRuns } from '../testing/randomRuns.ts'

/** What was charged for the notches before is used again: after any moves, all plates are those of a machine never seen. */

const month = '2027-03' as YearMonth
const tidewright = DEMO_BOOKS.find(({ provider }) => provider.id === 'tidewright')!
const [region] = tidewright.regions
const start: Machine = {
  name: 'moved',
  purpose: '',
  needs: { vcpu: 1, memoryGiB: gib(1), iops: 0 },
  provider: 'tidewright',
  region: region!.id,
  zone: region!.zones[0]!,
  size: tidewright.sizes[0]!.id,
  image: tidewright.images[0]!.id,
  terms: tidewright.terms[0]!.id,
  systemDisk: { kind: tidewright.diskKinds.find(({ boots }) => boots)!.id, roomGiB: gib(40) },
  dataDisks: [],
  address: 'none',
  week: OFFICE_WEEK.id,
  off: 'deallocated',
}

const platesAfter = (machine: Machine, weeks: Plan['weeks'], books: typeof DEMO_BOOKS): readonly Plate[] => {
  const plan: Plan = { name: 'moves', month, weeks, machines: [machine] }
  const pricing = new PlanPricing({ plan, books, month, reading: 'calendar' })
  const priced = pricing.of(machine)
  if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
  return platesOf({ resolved: priced.resolved, plan, month: priced.month, shared: priced.account.planned })
}

const figures = (plates: readonly Plate[]) =>
  plates.map(({ id, notches, present, fold }) => ({
    id,
    present,
    fold,
    notches: notches.map(({ key, total, difference, reasons }) => [
      key,
      total && toNumber(total),
      difference && toNumber(difference),
      reasons,
    ]),
  }))

test('plates after any moves are those of a machine that was never seen', () => {
  const move = fc.record({ plate: fc.nat(), notch: fc.nat() })
  fc.assert(
    fc.property(fc.array(move, { minLength: 1, maxLength: 6 }), (moves) => {
      let machine = start
      let plates = platesAfter(machine, [OFFICE_WEEK], [tidewright])
      for (const { plate, notch } of moves) {
        const { notches } = plates[plate % plates.length]!
        const open = notches.filter((each) => isOpen(each) && each.choice.decision !== 'week')
        const taken = open[notch % open.length]
        if (taken) machine = applyChoice(machine, taken.choice)
        plates = platesAfter(machine, [OFFICE_WEEK], [tidewright])
      }
      // A copy of the week and of the book has nothing kept.
      const fresh = platesAfter(structuredClone(machine), [{ ...OFFICE_WEEK }], [{ ...tidewright }])
      expect(figures(plates)).toEqual(figures(fresh))
    }),
    randomRuns(8),
  )
})

test('a plate that runs ahead of the others has the figures that it then has with all of them', () => {
  const exactly = ({ notches, present }: Plate) =>
    new Map(
      notches.map(({ key, total, difference, isPresent }) => [
        key,
        [total, difference, isPresent, notches[present]?.key],
      ]),
    )
  let compared = 0
  fc.assert(
    fc.property(fc.nat(), fc.nat(), (which, notch) => {
      const before = platesAfter(start, [OFFICE_WEEK], [tidewright])
      const plate = before[which % before.length]!
      const open = plate.notches.filter((each) => isOpen(each) && each.choice.decision !== 'week')
      const taken = open[notch % open.length]
      if (!taken) return
      const after = platesAfter(applyChoice(start, taken.choice), [OFFICE_WEEK], [tidewright])
      const moved = movedPlate(plate, taken)
      expect(moved === undefined).toBe(plate.decision.endsWith('disk'))
      if (!moved) return
      const ahead = exactly(moved)
      for (const [key, figures] of exactly(after.find(({ id }) => id === plate.id)!)) {
        if (!ahead.has(key)) continue
        expect(ahead.get(key)).toEqual(figures)
        compared += 1
      }
    }),
    randomRuns(16),
  )
  expect(compared).toBeGreaterThan(10)
  const [plate] = platesAfter(start, [OFFICE_WEEK], [tidewright])
  expect(movedPlate(plate!, { ...plate!.notches[0]!, total: undefined })).toBeUndefined()
})
