import { lazyPart, type LazyPart } from '../../interface/lazyPart'
import type { View } from '../workbench/views.ts'

/** What each view shows; its code comes with the view. */
export const VIEW_SCREENS: Record<View, LazyPart<object>> = {
  bench: lazyPart(() => import('../bench/BenchScreen'), 'BenchScreen', { isMain: true }),
  prices: lazyPart(() => import('../prices/PricesScreen'), 'PricesScreen', { isMain: true }),
  'hand-off': lazyPart(() => import('../handoff/HandOffScreen'), 'HandOffScreen', { isMain: true }),
  gauge: lazyPart(() => import('../gauge/Gauge'), 'Gauge'),
  week: lazyPart(() => import('../week/WeekScreen'), 'WeekScreen'),
  month: lazyPart(() => import('../month/MonthScreen'), 'MonthScreen'),
  terms: lazyPart(() => import('../terms/TermsScreen'), 'TermsScreen'),
  access: lazyPart(() => import('../access/AccessScreen'), 'AccessScreen'),
  variants: lazyPart(() => import('../variants/VariantsScreen'), 'VariantsScreen'),
  ledger: lazyPart(() => import('../ledger/LedgerScreen'), 'LedgerScreen'),
  book: lazyPart(() => import('../book/BookScreen'), 'BookScreen'),
}

/** Those that are likely to be opened next, when nothing else is to be done. */
const LIKELY: readonly View[] = ['gauge', 'week', 'bench', 'month', 'terms']

/** One after the other, each in an idle moment; what does not come now comes when it is opened. */
export async function loadLikelyViews(): Promise<void> {
  for (const view of LIKELY) {
    await new Promise<void>((resolve) => whenIdle(resolve))
    await VIEW_SCREENS[view].load().catch(() => undefined)
  }
}

const whenIdle = (then: () => void): unknown =>
  'requestIdleCallback' in window ? requestIdleCallback(then, { timeout: 5_000 }) : setTimeout(then, 500)
