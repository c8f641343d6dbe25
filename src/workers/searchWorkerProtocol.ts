import type { SearchProgress } from '../core/search/cheapestFit.ts'
import type { PlanSearch, SearchResults } from '../core/search/searchPlan.ts'

/** One question a worker; progress, and then one answer. Cancelling ends it. */
export type SearchAsk = PlanSearch
export type SearchAnswer =
  | { readonly kind: 'progress'; readonly progress: SearchProgress }
  | { readonly kind: 'found'; readonly results: SearchResults }
