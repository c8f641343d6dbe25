import { lazyPart, type LazyPart } from '../../interface/lazyPart'
import type { View } from '../workbench/views.ts'

/** What each view shows; its code comes with the view. */
export const VIEW_SCREENS: Record<View, LazyPart<object>> = {
  bench: lazyPart(() => import('../bench/BenchScreen'), 'BenchScreen', { isMain: true }),
  prices: lazyPart(() => import('../prices/PricesScreen'), 'PricesScreen', { isMain: true }),
  mix: lazyPart(() => import('../mix/MixScreen'), 'MixScreen', { isMain: true }),
  'hand-off': lazyPart(() => import('../handoff/HandOffScreen'), 'HandOffScreen', { isMain: true }),
  bill: lazyPart(() => import('../bill/BillScreen'), 'BillScreen', { isMain: true }),
  gauge: lazyPart(() => import('../gauge/Gauge'), 'Gauge'),
  market: lazyPart(() => import('../market/MarketScreen'), 'MarketScreen'),
  week: lazyPart(() => import('../week/WeekScreen'), 'WeekScreen'),
  month: lazyPart(() => import('../month/MonthScreen'), 'MonthScreen'),
  terms: lazyPart(() => import('../terms/TermsScreen'), 'TermsScreen'),
  access: lazyPart(() => import('../access/AccessScreen'), 'AccessScreen'),
  variants: lazyPart(() => import('../variants/VariantsScreen'), 'VariantsScreen'),
  ledger: lazyPart(() => import('../ledger/LedgerScreen'), 'LedgerScreen'),
  book: lazyPart(() => import('../book/BookScreen'), 'BookScreen'),
}
