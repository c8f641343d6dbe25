import { sign, toNumber } from '../quantity/exact.ts'
import { cheapestNotch, type Plate } from './plate.ts'

/**
 * What a plate can do for its machine. `saves`: a cheaper choice can be taken. `matters`: there are cheaper ones, all of
 * them closed or bringing other changes. `settled`: nothing is cheaper, it is pinned, or there is nothing to choose.
 */
export const PLATE_WEIGHTS = ['saves', 'matters', 'settled'] as const
export type PlateWeight = (typeof PLATE_WEIGHTS)[number]

export function plateWeight(plate: Plate): PlateWeight {
  if (plate.fold === 'pinned' || plate.fold === 'only-choice') return 'settled'
  if (cheapestNotch(plate)) return 'saves'
  return plate.notches.some(({ difference }) => difference && sign(difference) < 0) ? 'matters' : 'settled'
}

/** A plate whose best choice saves less than this share of the month is one line. */
const SMALL_SHARE = 0.01

/** Whether what it can save is next to nothing for its machine. */
export function savesLittle(plate: Plate): boolean {
  const cheapest = cheapestNotch(plate)
  const total = plate.notches[plate.present]?.total
  return (
    cheapest !== undefined &&
    total !== undefined &&
    -toNumber(cheapest.difference!) < SMALL_SHARE * toNumber(total)
  )
}

/** Plates in three groups: those that save by how much they do, the others as they come. O(plates × log plates). */
export function byWeight(plates: readonly Plate[]): Readonly<Record<PlateWeight, readonly Plate[]>> {
  const of = (weight: PlateWeight): Plate[] => plates.filter((plate) => plateWeight(plate) === weight)
  const saving = (plate: Plate): number => toNumber(cheapestNotch(plate)!.difference!)
  return {
    saves: of('saves').sort((a, b) => saving(a) - saving(b)),
    matters: of('matters'),
    settled: of('settled'),
  }
}
