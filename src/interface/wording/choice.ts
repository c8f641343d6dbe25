import type { BookIndex } from '../../core/catalogue/bookIndex.ts'
import { chargedRoom } from '../../core/catalogue/diskRates.ts'
import type { Size, Terms } from '../../core/catalogue/priceBook.ts'
import type { Choice, DiskShape } from '../../core/machine/choice.ts'
import { chosenSize } from '../../core/machine/chosenSize.ts'
import type { Decision } from '../../core/machine/decision.ts'
import type { Machine, Snapshots } from '../../core/machine/plan.ts'
import type { ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import { subtract } from '../../core/quantity/exact.ts'
import { formatDifference, groupDigits } from './money'
import { offPlanWords } from './offPlan'
import { weekText } from './week'
import type { Notch, Plate } from '../../core/notches/plate.ts'

export const DECISION_NAMES = {
  size: 'Size',
  vcpu: 'vCPU',
  memory: 'Memory',
  place: 'Place',
  terms: 'Terms',
  image: 'Image',
  'disk-kind': 'System disk',
  'disk-room': 'Disk room',
  'data-disk': 'Data disk',
  'new-disk': 'Another data disk',
  snapshots: 'Snapshots',
  address: 'Public address',
  off: 'When off',
  week: 'On hours',
  traffic: 'Traffic out',
} as const satisfies Record<Decision, string>

export const plateName = ({ decision, position }: Pick<Plate, 'decision' | 'position'>): string =>
  position === undefined ? DECISION_NAMES[decision] : `${DECISION_NAMES[decision]} ${position}`

export interface ChoiceWords {
  readonly name: string
  readonly about: string
}

const sizeAbout = (size: Size | undefined): string => {
  if (!size) return ''
  const arch = size.architecture === 'arm64' ? ', arm64' : ''
  return `${size.vcpu}${size.sharedCore ? ' shared' : ''} vCPU, ${size.memoryGiB} GiB${arch}`
}

function sizeWords(
  { size: id, chosen }: Extract<Choice, { decision: 'size' }>,
  { index, machine }: ResolvedMachine,
): ChoiceWords {
  const found = index.sizes.get(id)
  const size = found && chosenSize(found, chosen ?? machine.chosen)
  return { name: size?.name ?? id, about: sizeAbout(size) }
}

const snapshotText = ({ every, kept }: Pick<Snapshots, 'every' | 'kept'>): string =>
  `${kept} ${EVERY_NAMES[every]}`

const EVERY_NAMES = {
  day: 'daily',
  week: 'weekly',
  month: 'monthly',
  stop: 'at each stop',
} as const satisfies Record<Snapshots['every'], string>

const ADDRESS_WORDS = {
  none: { name: 'None', about: 'no public address' },
  changing: { name: 'Changing', about: 'lost when the hardware is given back' },
  fixed: { name: 'Fixed', about: 'stays' },
} as const satisfies Record<Machine['address'], ChoiceWords>

const gibText = (room: number): string => `${groupDigits(String(room))} GiB`

function diskWords(shape: DiskShape | undefined, { index, size }: ResolvedMachine): ChoiceWords {
  if (!shape) return { name: 'None', about: 'no such disk' }
  const kind = index.diskKinds.get(shape.kind)
  const charged = kind && chargedRoom(kind, shape.roomGiB, size)
  return {
    name: `${kind?.name ?? shape.kind} ${gibText(shape.roomGiB)}`,
    about: charged === undefined ? 'no such room' : `charged as ${groupDigits(String(charged))}`,
  }
}

function termsAbout(terms: Terms | undefined): string {
  switch (terms?.kind) {
    case 'on-demand':
      return 'by the hour it runs'
    case 'spot':
      return `may be taken away: ${terms.interruption}`
    case 'commitment':
      return `${terms.months} months, on or off`
    case 'flat':
      return terms.capHours === undefined
        ? 'charged while it exists'
        : `capped at ${terms.capHours} h a month`
    case undefined:
      return ''
  }
}

function imageWords(id: string, ownLicence: boolean, { index }: ResolvedMachine): ChoiceWords {
  const image = index.images.get(id)
  const name = image?.name ?? id
  return ownLicence
    ? { name: `${name}, own licence`, about: 'licence brought along' }
    : { name, about: image?.about ?? '' }
}

/** A choice's name, and a few words on what it is. `carried` is the machine in another provider's place. */
export function choiceWords(
  { choice, carried, index: elsewhere }: Pick<Notch, 'choice' | 'carried' | 'index'>,
  resolved: ResolvedMachine,
): ChoiceWords {
  const { index, systemKind } = resolved
  switch (choice.decision) {
    case 'size':
      return sizeWords(choice, resolved)
    case 'vcpu':
      return {
        name: `${choice.chosen.vcpu} vCPU`,
        about: `of ${resolved.size.choice?.vcpu.most ?? 0} at most`,
      }
    case 'memory':
      return {
        name: gibText(choice.chosen.memoryGiB),
        about: `of ${resolved.size.choice?.memoryGiB.most ?? 0} at most`,
      }
    case 'place':
      return placeWords(choice, elsewhere ?? carried?.resolved.index ?? index, resolved)
    case 'terms': {
      const terms = index.terms.get(choice.terms)
      return { name: terms?.name ?? choice.terms, about: termsAbout(terms) }
    }
    case 'image':
      return imageWords(choice.image, choice.ownLicence, resolved)
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
      return { name: gibText(choice.roomGiB), about }
    }
    case 'data-disk':
    case 'new-disk':
      return diskWords(choice.disk, resolved)
    case 'snapshots':
      if (choice.scheme === 'none') return { name: 'None', about: 'nothing to go back to' }
      if (choice.scheme === 'as-is') return { name: 'Disk by disk', about: 'not all alike' }
      return { name: snapshotText(choice.scheme), about: 'of each disk' }
    case 'address':
      return ADDRESS_WORDS[choice.address]
    case 'off':
      return offPlanWords(choice)
    case 'week':
      return { name: choice.week.name, about: weekText(choice.week) }
    case 'traffic':
      return { name: gibText(choice.trafficOutGiB), about: 'a month' }
  }
}

function placeWords(
  { provider, region: id, zone }: Extract<Choice, { decision: 'place' }>,
  { regions, book }: BookIndex,
  { machine }: ResolvedMachine,
): ChoiceWords {
  const region = regions.get(id)?.region
  const name = `${region?.name ?? id} ${zone}`
  return provider === machine.provider
    ? { name, about: region?.jurisdiction ?? '' }
    : {
        name: `${name}, ${provider === book.provider.id ? book.provider.name : provider}`,
        about: region?.jurisdiction ?? '',
      }
}

/** What the month would cost more or less with this choice. */
export const notchDifference = ({ total, difference }: Notch): string =>
  total && difference ? formatDifference(total, subtract(total, difference)) : 'no price'
