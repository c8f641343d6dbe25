import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { csvText } from '../reading/csvText.ts'
import type { FocusGrain } from './chargeSpans.ts'
import { FOCUS_COLUMNS } from './focusColumns.ts'
import { focusRows } from './focusRows.ts'

/** Planned months as a FOCUS 1.2 table in CSV, machine by machine. The month must be read as the calendar has it. */
export const focusCsv = (priced: readonly PricedMachine[], grain: FocusGrain): string =>
  csvText([
    FOCUS_COLUMNS,
    ...priced.flatMap((machine) =>
      focusRows(machine, grain).map((row) => FOCUS_COLUMNS.map((column) => row[column] ?? '')),
    ),
  ])
