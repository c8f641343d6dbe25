import { diskReach, type Reach } from '../../core/fit/diskReach.ts'
import { fitReasons } from '../../core/fit/fitReasons.ts'
import { lostWhenOff } from '../../core/fit/lostWhenOff.ts'
import { disksOf } from '../../core/machine/resolveMachine.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { hourByState } from '../../core/meter/hourByState.ts'
import { presentChoice } from '../../core/decisions/choice.ts'
import type { Decision } from '../../core/machine/decision.ts'
import { choiceWords } from '../../wording/choice'
import { NOT_KNOWN } from '../../wording/notKnown'
import { formatMoney, HOURLY_PLACES } from '../../wording/money'
import { KEEP_LABELS } from '../../wording/needs'
import { reasonsText } from '../../wording/reason'
import { formatHours } from '../../wording/time'
import { formatNumber } from '../../wording/number'
import { markedProvider } from '../../wording/providerName'

export interface VariantRow {
  readonly label: string
  readonly textOf: (priced: PricedMachine) => string
}

const decided =
  (decision: Decision) =>
  ({ resolved }: PricedMachine): string =>
    choiceWords({ choice: presentChoice(resolved, { decision }) }, resolved).name

const reachText = ({ given, reached }: Reach): string =>
  given === undefined || reached === undefined
    ? NOT_KNOWN
    : given > reached
      ? `${formatNumber(reached, 0)} of ${formatNumber(given, 0)}`
      : formatNumber(reached, 0)

const hourIn = ({ resolved, month, estimate }: PricedMachine, state: string): string => {
  const hour = hourByState(resolved, month).find((each) => each.state === state)
  return hour ? formatMoney(hour.amount, estimate.currency, HOURLY_PLACES) : 'none'
}

/** What is set side by side, in the order in which it is decided; figures first. */
export const VARIANT_ROWS: readonly VariantRow[] = [
  {
    label: 'averaged an hour',
    textOf: ({ estimate }) => formatMoney(estimate.averagePerHour, estimate.currency, HOURLY_PLACES),
  },
  { label: 'one hour running', textOf: (priced) => hourIn(priced, 'running') },
  { label: 'one hour off', textOf: (priced) => hourIn(priced, priced.resolved.machine.off) },
  {
    label: 'always on, a month',
    textOf: ({ estimate }) => formatMoney(estimate.alwaysOn, estimate.currency),
  },
  { label: 'on in the month', textOf: ({ estimate }) => formatHours(estimate.onTime) },
  { label: 'Provider', textOf: ({ resolved }) => markedProvider(resolved.index.book) },
  { label: 'Place', textOf: decided('place') },
  { label: 'Size', textOf: decided('size') },
  { label: 'vCPU', textOf: ({ resolved }) => formatNumber(resolved.size.vcpu) },
  { label: 'Memory', textOf: ({ resolved }) => `${formatNumber(resolved.size.memoryGiB)} GiB` },
  { label: 'Architecture', textOf: ({ resolved }) => resolved.size.architecture ?? NOT_KNOWN },
  { label: 'Terms', textOf: decided('terms') },
  { label: 'Image', textOf: decided('image') },
  { label: 'System disk', textOf: decided('disk-kind') },
  { label: 'Disk room', textOf: decided('disk-room') },
  {
    label: 'Data disks',
    textOf: ({ resolved }) =>
      disksOf(resolved)
        .slice(1)
        .map(({ disk, kind }) => `${kind.name} ${formatNumber(disk.roomGiB)} GiB`)
        .join(', ') || 'none',
  },
  { label: 'IOPS it gets', textOf: ({ resolved }) => reachText(diskReach(resolved).iops) },
  { label: 'MB/s it gets', textOf: ({ resolved }) => reachText(diskReach(resolved).throughput) },
  { label: 'Snapshots', textOf: decided('snapshots') },
  { label: 'Public address', textOf: decided('address') },
  { label: 'When off', textOf: decided('off') },
  {
    label: 'Off, it loses',
    textOf: ({ resolved }) =>
      lostWhenOff(resolved)
        .map((what) => KEEP_LABELS[what])
        .join(', ') || 'nothing',
  },
  { label: 'On hours', textOf: decided('week') },
  { label: 'Traffic out', textOf: decided('traffic') },
  { label: 'Does not fit', textOf: ({ resolved }) => reasonsText(fitReasons(resolved)) || 'fits' },
]
