import type { ShareGroup } from '../../core/wholePlan/foldShares.ts'
import { joinSplits } from '../../core/wholePlan/shownSplit.ts'

/** Several groups as one, without a name. */
export const joinGroups = (groups: readonly ShareGroup[]): ShareGroup => ({
  key: '',
  ...joinSplits(groups),
  machines: groups.flatMap(({ machines }) => machines),
})
