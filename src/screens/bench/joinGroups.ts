import type { ShareGroup } from '../../core/wholePlan/foldShares.ts'
import { add } from '../../core/quantity/exact.ts'

/** Several groups as one, without a name. At least one. */
export const joinGroups = (groups: readonly ShareGroup[]): ShareGroup =>
  groups.reduce((all, { total, floor, alwaysOn, machines }) => ({
    key: '',
    total: add(all.total, total),
    floor: add(all.floor, floor),
    alwaysOn: add(all.alwaysOn, alwaysOn),
    machines: [...all.machines, ...machines],
  }))
