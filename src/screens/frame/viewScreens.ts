import type { ComponentType } from 'react'
import { AccessScreen } from '../access/AccessScreen'
import { BenchScreen } from '../bench/BenchScreen'
import { BookScreen } from '../book/BookScreen'
import { Gauge } from '../gauge/Gauge'
import { HandOffScreen } from '../handoff/HandOffScreen'
import { LedgerScreen } from '../ledger/LedgerScreen'
import { MonthScreen } from '../month/MonthScreen'
import { TermsScreen } from '../terms/TermsScreen'
import { VariantsScreen } from '../variants/VariantsScreen'
import { WeekScreen } from '../week/WeekScreen'
import type { View } from '../workbench/views.ts'

/** What each view shows. */
export const VIEW_SCREENS: Record<View, ComponentType> = {
  bench: BenchScreen,
  'hand-off': HandOffScreen,
  gauge: Gauge,
  week: WeekScreen,
  month: MonthScreen,
  terms: TermsScreen,
  access: AccessScreen,
  variants: VariantsScreen,
  ledger: LedgerScreen,
  book: BookScreen,
}
