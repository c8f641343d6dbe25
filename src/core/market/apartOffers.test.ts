import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { finish } from '../finish.ts'
import { compare, toNumber, type Exact } from '../quantity/exact.ts'
import { cheapestFit } from '../search/cheapestFit.ts'
import { anyGroup } from '../testing/anyGroup.ts'
import {
  anyMarketBook,
  anyMarketMachine,
  everyForm,
  marketInputs,
  MARKET_MONTH,
} from '../testing/everyForm.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { cheapestOffers } from './cheapestOffers.ts'
import { fieldOffers } from './fieldOffers.ts'
import { Market } from './market.ts'
import { randomRuns } from '../testing/randomRuns.ts'

/** East alone names fault domains. */
const withDomains = (book: PriceBook): PriceBook => ({
  ...book,
  regions: book.regions.map((region) =>
    region.id === 'east' ? { ...region, faultDomains: ['one', 'two'] } : region,
  ),
})

const anyMachineOfGroup = anyMarketMachine.chain((machine) => {
  const { vcpu, memoryGiB } = machine.needs
  return anyGroup({ ...machine, needs: { vcpu, memoryGiB, iops: 0 } }, ['mill', 'weir'])
})

test('what is offered to a machine of a group is what pricing everything leaves of it', () => {
  let fewer = 0
  fc.assert(
    fc.property(
      anyMarketBook('mill', 'EUR'),
      anyMarketBook('weir', 'USD'),
      anyMachineOfGroup,
      (own, other, { machines, apartGroups }) => {
        const books = [own, other].map(withDomains).map(({ freeAllowances: _, ...book }) => book)
        const [machine] = machines as [(typeof machines)[number]]
        const plan = {
          name: 'any',
          month: MARKET_MONTH,
          weeks: [OFFICE_WEEK],
          machines,
          apartGroups: apartGroups!,
          exchangeRates: [{ from: 'USD', to: 'EUR', rate: '0.9184', date: '2027-02-26' }],
        }
        const inputs = marketInputs(plan, books, machine)
        const least = new Map<string, Exact>()
        for (const { resolved, total } of everyForm(inputs)) {
          const { provider, region, size, terms } = resolved.machine
          const key = [provider, region, size, terms].join('/')
          const known = least.get(key)
          if (!known || compare(total, known) < 0) least.set(key, total)
        }
        const questions = new Market().ask(inputs)
        const found = cheapestOffers(questions, 200)
        expect(
          found
            .map(({ machine: { provider, region, size, terms } }) =>
              [provider, region, size, terms].join('/'),
            )
            .toSorted(),
        ).toEqual([...least.keys()].toSorted())
        // The field shows as many, none of which is not to be had.
        expect(fieldOffers(questions, 'vcpu', []).count).toBe(least.size)
        const cheapest = [...least.values()].toSorted(compare)[0]
        const searched = finish(cheapestFit(inputs))
        expect(searched && toNumber(searched.total)).toBe(cheapest && toNumber(cheapest))
        const { apart: _, ...free } = inputs.resolved
        const unbound = new Market().ask({ ...inputs, resolved: free })
        if (cheapestOffers(unbound, 200).length > found.length) fewer += 1
      },
    ),
    randomRuns(20),
  )
  // One in three groups closes something.
  expect(fewer).toBeGreaterThan(0)
})
