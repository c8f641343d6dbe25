import { copperbeck } from './copperbeck.ts'
import { hartwellYard } from './hartwellYard.ts'
import type { InventedList } from './inventedList.ts'
import { kettleLane } from './kettleLane.ts'
import { osier } from './osier.ts'
import { saltmarsh } from './saltmarsh.ts'
import { windle } from './windle.ts'

/** The lists that ship, each of another provider and of another shape. */
export const INVENTED_LISTS: { readonly [name: string]: () => InventedList } = {
  saltmarsh,
  copperbeck,
  'hartwell yard': hartwellYard,
  windle,
  osier,
  'kettle lane': kettleLane,
}
