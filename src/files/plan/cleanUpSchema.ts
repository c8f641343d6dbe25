import { MOST_LEFT_OVER, type LeftOver } from '../../core/machine/plan.ts'
import { label, listOf, month, need, objectOf, price } from '../reading/rules.ts'

export const cleanUp = listOf(
  objectOf<LeftOver>({
    resource: need(label(200)).description('As the bill names it.'),
    month: need(month).description('The month in whose bill it was found.'),
    cost: need(price).description('What it cost there, in the plan’s currency.'),
  }),
  MOST_LEFT_OVER,
)
  .unique('resource', { ignoreUndefined: true })
  .description('What bills showed to be left over, and is to be deleted by hand.')
