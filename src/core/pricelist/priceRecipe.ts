import type { Manner } from '../manner/manners.ts'
import type { ListMapping, MappingQuestion } from './listMapping.ts'

/** How lists of one shape become a provider's price book: all that was answered once. */
export interface PriceRecipe {
  readonly provider: { readonly id: string; readonly name: string }
  readonly manner: Manner
  readonly mapping: ListMapping
  /** Answers of the mapping that were proposed and that nobody has confirmed. */
  readonly assumed?: readonly MappingQuestion[]
}
