import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { finish } from '../finish.ts'
import { indexBook } from '../catalogue/bookIndex.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { resolveMachine } from '../machine/resolveMachine.ts'
import { compare, type Exact } from '../quantity/exact.ts'
import { gib } from '../quantity/units.ts'
import {
  anyMarketBook,
  anyMarketMachine,
  everyForm,
  marketInputs,
  MARKET_MONTH,
} from '../testing/everyForm.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { cheapestFit, type Found } from './cheapestFit.ts'
import type { PlatesInputs } from '../notches/plate.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const search = (inputs: PlatesInputs): Found | undefined => finish(cheapestFit(inputs))

/** Every combination, each resolved, checked and priced on its own. */
function exhaustive(inputs: PlatesInputs): Exact | undefined {
  let least: Exact | undefined
  for (const { total } of everyForm(inputs)) if (!least || compare(total, least) < 0) least = total
  return least
}

describe('the cheapest that still fits', () => {
  test('is what an exhaustive search finds, over two providers, with anything pinned', () => {
    fc.assert(
      fc.property(
        anyMarketBook('mill', 'EUR'),
        anyMarketBook('weir', 'USD'),
        anyMarketMachine,
        (own, other, machine) => {
          const plan: Plan = {
            name: 'any',
            month: MARKET_MONTH,
            weeks: [OFFICE_WEEK],
            machines: [machine, { ...machine, name: 'second', size: 'tenth' }],
            exchangeRates: [{ from: 'USD', to: 'EUR', rate: '0.9184', date: '2027-02-26' }],
          }
          const inputs = marketInputs(plan, [own, other], machine)
          const found = search(inputs)
          const expected = exhaustive(inputs)
          if (!expected) {
            expect(found).toBeUndefined()
            // Only what was found counts as a run.
            fc.pre(false)
          } else {
            expect(found && compare(found.total, expected)).toBe(0)
            // What is found is what it says: it fits, and costs that.
            const index = found!.machine.provider === 'mill' ? inputs.resolved.index : indexBook(other)
            const resolved = resolveMachine(found!.machine, plan, index)
            expect(resolved.ok && fitReasons(resolved.value)).toEqual([])
          }
        },
      ),
      randomRuns(3),
    )
  })

  test('changes nothing where nothing is cheaper, and leaves out what has no exchange rate', () => {
    const machine: Machine = { ...SMALL_MACHINE, needs: { vcpu: 4, memoryGiB: gib(16), iops: 0 } }
    const plan: Plan = { name: 'any', month: MARKET_MONTH, weeks: [OFFICE_WEEK], machines: [machine] }
    const cheap = { ...RULE_BOOK, provider: { id: 'weir', name: 'Weir' }, currency: 'USD' }
    const best = search(marketInputs(plan, [RULE_BOOK, cheap], machine))!
    expect(best.machine.provider).toBe('mill')
    const again = { ...plan, machines: [best.machine] }
    expect(search(marketInputs(again, [RULE_BOOK, cheap], best.machine))!.machine).toEqual(best.machine)
  })
})

test('of several that cost the same and change as much, the first of the book is found', () => {
  const middle = RULE_BOOK.sizes.find(({ id }) => id === 'middle')!
  const twins = ['twin-a', 'twin-b'].map((id) => ({ ...middle, id, name: id }))
  const prices = Object.fromEntries(
    Object.entries(RULE_BOOK.prices).map(([region, { sizes, ...rest }]) => [
      region,
      { ...rest, sizes: { ...sizes, 'twin-a': { perHour: '0.0001' }, 'twin-b': { perHour: '0.0001' } } },
    ]),
  )
  const found = (order: readonly (typeof middle)[]): string | undefined => {
    const book = { ...RULE_BOOK, sizes: [...order, ...RULE_BOOK.sizes], prices }
    return search(
      plateInputs({ pinned: ['place', 'terms', 'disk-kind', 'disk-room', 'image', 'off'] }, [book]),
    )?.machine.size
  }
  expect(found(twins)).toBe('twin-a')
  expect(found(twins.toReversed())).toBe('twin-b')
})
