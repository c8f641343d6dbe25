import type { Fold } from '../../core/ledger/fold.ts'
import type { LedgerGroup } from '../../core/ledger/foldLedger.ts'
import type { PlanLedger } from '../../core/ledger/planLedger.ts'
import type { Meter } from '../../core/meter/charge.ts'
import { weekdayOf } from '../../core/calendar/civil.ts'
import type { MonthPart } from '../../core/meter/monthPart.ts'
import { PART_NAMES } from '../../wording/monthPart'
import { METER_NAMES } from '../../wording/charge'
import { DAY_NAMES, formatDay } from '../../wording/time'

/** What a group of rows is called. */
export function groupTitle({ key }: LedgerGroup, fold: Fold, { ledger, days }: PlanLedger): string {
  switch (fold) {
    case 'time':
      return ''
    case 'meter':
      return METER_NAMES[key as Meter]
    case 'part':
      return PART_NAMES[key as MonthPart]
    case 'machine':
      return ledger.machines[Number(key)]?.name ?? ''
    case 'day': {
      const day = days[Number(key)]?.day
      return day === undefined ? '' : `${DAY_NAMES[weekdayOf(day)]}, ${formatDay(day)}`
    }
  }
}
