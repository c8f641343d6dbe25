'use client'

import { useState } from 'react'
import { rememberedHere, rememberHere } from '../../interface/rememberedHere.ts'
import type { PlateId } from '../../core/machine/decision.ts'
import type { Plate } from '../../core/notches/plate.ts'
import {
  byWeight,
  PLATE_WEIGHTS,
  plateWeight,
  savesLittle,
  type PlateWeight,
} from '../../core/notches/plateWeight.ts'

type Groups<T> = Readonly<Record<PlateWeight, readonly T[]>>

export interface PlateOrder {
  /** Undefined where the person wants the fixed order. */
  readonly groups: Groups<Plate> | undefined
  /** Those that are one line unless they are opened: settled, or next to nothing to save. */
  readonly small: ReadonlySet<PlateId>
  /** All plates as they stand. */
  readonly inOrder: readonly Plate[]
  /** Whether plates weigh otherwise by now than where they stand. */
  readonly isOutdated: boolean
  readonly arrange: () => void
  readonly setFixed: (fixed: boolean) => void
}

const KEY = 'plate-order'

interface Stood extends Groups<PlateId> {
  readonly small: readonly PlateId[]
}

const idsOf = (plates: readonly Plate[]): Stood => {
  const groups = byWeight(plates)
  const ids = (weight: PlateWeight): PlateId[] => groups[weight].map(({ id }) => id)
  const settled = ids('settled')
  const little = groups.saves.filter(savesLittle).map(({ id }) => id)
  return { saves: ids('saves'), matters: ids('matters'), settled, small: [...settled, ...little] }
}

/** Plates by what they can save, as they did when the machine was opened: nothing moves under a hand. */
export function usePlateOrder(plates: readonly Plate[]): PlateOrder {
  const [isFixed, setFixed] = useState(() => rememberedHere(KEY) === 'fixed')
  const [stood, setStood] = useState(() => idsOf(plates))
  const groups = isFixed ? undefined : groupsOf(plates, stood)
  return {
    groups,
    small: new Set(isFixed ? [] : stood.small),
    inOrder: groups ? PLATE_WEIGHTS.flatMap((weight) => groups[weight]) : plates,
    isOutdated: !isFixed && JSON.stringify(stood) !== JSON.stringify(idsOf(plates)),
    arrange: () => setStood(idsOf(plates)),
    setFixed: (fixed) => {
      setFixed(fixed)
      if (!fixed) setStood(idsOf(plates))
      rememberHere(KEY, fixed ? 'fixed' : 'weight')
    },
  }
}

/** Each plate where it stood; those that came since, such as of a new disk, at the end of the group of their weight. */
function groupsOf(plates: readonly Plate[], stood: Groups<PlateId>): Groups<Plate> {
  const byId = new Map(plates.map((plate) => [plate.id, plate]))
  const known = new Set(PLATE_WEIGHTS.flatMap((weight) => stood[weight]))
  const group = (weight: PlateWeight): Plate[] => [
    ...stood[weight].flatMap((id) => byId.get(id) ?? []),
    ...plates.filter((plate) => !known.has(plate.id) && plateWeight(plate) === weight),
  ]
  return { saves: group('saves'), matters: group('matters'), settled: group('settled') }
}
