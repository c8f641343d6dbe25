import type { Happened } from '../../files/bill/keptBill.ts'
import { MISHAP_KINDS, type MishapKind } from '../../rehearsal/mishap.ts'

/** As a field in which one says how often. */
export const MISHAP_NAMES = {
  'stop-missed': 'A stop is not carried out',
  'left-on': 'Someone starts a machine and leaves it on',
  'stopped-only': 'It is stopped in place of deallocated',
  'spot-taken': 'A spot machine is taken away',
  'no-hardware': 'There is no hardware when it is to come back',
  'price-change': 'A price rises within the month',
  'left-over': 'Something stays after a machine is deleted',
  unplanned: 'A machine appears that is not in the plan',
  'other-size': 'A machine has a larger size than planned',
} as const satisfies Record<MishapKind, string>

/** What the percent of a rate is of. */
export const MISHAP_OF = {
  'stop-missed': 'of stops',
  'left-on': 'of times off',
  'stopped-only': 'of stops',
  'spot-taken': 'of times on',
  'no-hardware': 'of starts',
  'price-change': 'of machines',
  'left-over': 'of deletions',
  unplanned: 'of machines',
  'other-size': 'of machines',
} as const satisfies Record<MishapKind, string>

const TEXTS = {
  'stop-missed': 'its stop was not carried out',
  'left-on': 'someone started it and left it on',
  'stopped-only': 'it was stopped in place of deallocated',
  'spot-taken': 'its hardware was taken away',
  'no-hardware': 'there was no hardware to come back on',
  'price-change': 'its price rose',
  'left-over': 'something stayed',
  unplanned: 'it appeared, and is not in the plan',
  'other-size': 'it was made with a larger size',
} as const satisfies Record<MishapKind, string>

/** “replay: its stop was not carried out”. */
export function happenedText({ kind, machine, what }: Happened): string {
  const known = MISHAP_KINDS.find((each) => each === kind)
  const said = known ? TEXTS[known] : kind
  return `${machine}: ${said}${what === undefined || kind === 'unplanned' ? '' : ` (${what})`}`
}
