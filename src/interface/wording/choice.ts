import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { Size } from '../../core/catalogue/priceBook.ts'
import { chosenSize } from '../../core/machine/chosenSize.ts'
import { chargedRoom } from '../../core/catalogue/diskRates.ts'
import type { Choice, Decision } from '../../core/machine/choice.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import type { Notch } from '../../core/notches/plates.ts'
import { subtract } from '../../core/quantity/exact.ts'
import { formatDifference, groupDigits } from './money'
import { OFF_MEANS, OFF_NAMES } from './state'
import { weekText } from './week'

export const DECISION_NAMES = {
  size: 'Size',
  place: 'Place',
  'disk-kind': 'System disk',
  'disk-room': 'Disk room',
  off: 'When off',
  week: 'On hours',
} as const satisfies Record<Decision, string>

export interface ChoiceWords {
  readonly name: string
  readonly about: string
}

const sizeAbout = (size: Size | undefined): string => {
  if (!size) return ''
  const arch = size.architecture === 'arm64' ? ', arm64' : ''
  return `${size.vcpu}${size.sharedCore ? ' shared' : ''} vCPU, ${size.memoryGiB} GiB${arch}`
}

function sizeWords(id: string, { index, machine }: ResolvedMachine): ChoiceWords {
  const found = index.sizes.get(id)
  const size = found && chosenSize(found, machine.chosen)
  return { name: size?.name ?? id, about: sizeAbout(size) }
}

/** A choice's name, and a few words on what it is. */
export function choiceWords(
  choice: Choice,
  resolved: ResolvedMachine,
  weeks: readonly WeekPlan[],
): ChoiceWords {
  const { index, systemKind } = resolved
  switch (choice.decision) {
    case 'size':
      return sizeWords(choice.size, resolved)
    case 'place': {
      const region = index.regions.get(choice.region)?.region
      return { name: `${region?.name ?? choice.region} ${choice.zone}`, about: region?.jurisdiction ?? '' }
    }
    case 'disk-kind': {
      const kind = index.diskKinds.get(choice.kind)
      return {
        name: kind?.name ?? choice.kind,
        about: `up to ${groupDigits(String(kind?.iops.most ?? 0))} IOPS`,
      }
    }
    case 'disk-room': {
      const charged = chargedRoom(systemKind, choice.roomGiB, resolved.size)
      const about = charged === undefined ? 'no such room' : `charged as ${groupDigits(String(charged))}`
      return { name: `${groupDigits(String(choice.roomGiB))} GiB`, about }
    }
    case 'off':
      return { name: OFF_NAMES[choice.off], about: OFF_MEANS[choice.off] }
    case 'week': {
      const week = weeks.find(({ id }) => id === choice.week)
      return { name: week?.name ?? choice.week, about: week ? weekText(week) : '' }
    }
  }
}

/** What the month would cost more or less with this choice. */
export const notchDifference = ({ total, difference }: Notch): string =>
  total && difference ? formatDifference(total, subtract(total, difference)) : 'no price'
