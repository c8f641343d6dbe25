import { ownValue } from '../ownValue.ts'
import { roughHour, sizeRates } from '../catalogue/sizeRates.ts'
import type { Size } from '../catalogue/priceBook.ts'
import { alwaysOnForm } from '../meter/estimateMachine.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import type { Notch, PlatesInputs } from './plate.ts'
import { resolveChoice } from '../decisions/choice.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { zonesSelling, type RegionIndex } from '../catalogue/bookIndex.ts'
import { divide, type Exact } from '../quantity/exact.ts'
import { unitsExact } from '../quantity/rate.ts'

/** The machine with a choice taken, carried over where it has to be. */
export const resolvedWith = (
  { resolved }: PlatesInputs,
  { choice, carried, isPresent }: Notch,
): ResolvedMachine => (isPresent ? resolved : (carried?.resolved ?? resolveChoice(resolved, choice)))

/** One hour at the size's own rates where the machine stands; undefined where it is not sold there. */
export function sizeHour({ region, terms }: ResolvedMachine, size: Size): Exact | undefined {
  const rates = sizeRates(region, size.id, terms)
  return rates && roughHour(rates, size)
}

/** The month if it were never switched off; in the currency of the machine's own book, within its provider. */
export const alwaysOnTotal = (
  { month, shared }: PlatesInputs,
  resolved: ResolvedMachine,
): Exact | undefined => machineTotal(alwaysOnForm(resolved), month, shared)

export const perUnit = (total: Exact | undefined, units: number): Exact | undefined =>
  total && units > 0 ? divide(total, unitsExact(units)) : undefined

/** What a place does not have of what its provider sells elsewhere. */
export interface MissingInPlace {
  readonly sizes: number
  readonly diskKinds: readonly string[]
  readonly addresses: readonly ('fixed' | 'changing')[]
}

export function missingInPlace(
  region: RegionIndex,
  zone: string,
  { sizes, diskKinds, prices }: ResolvedMachine['index']['book'],
): MissingInPlace {
  const sold = Object.values(prices)
  return {
    sizes: sizes.filter(({ id }) => !zonesSelling(region, id).includes(zone)).length,
    diskKinds: diskKinds
      .filter(({ id, room }) => room.by !== 'size' && !ownValue(region.prices.disks, id))
      .map(({ name }) => name),
    addresses: (['fixed', 'changing'] as const).filter(
      (sort) => !region.prices.addresses[sort] && sold.some(({ addresses }) => addresses[sort]),
    ),
  }
}
