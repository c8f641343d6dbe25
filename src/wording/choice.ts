import type { BookIndex } from '../core/catalogue/bookIndex.ts'
import { providerName } from './providerName.ts'
import { chargedRoom } from '../core/catalogue/diskRates.ts'
import type { Size, Terms } from '../core/catalogue/priceBook.ts'
import type { ChoiceOf } from '../core/decisions/choice.ts'
import { chosenSize } from '../core/machine/chosenSize.ts'
import type { Decision } from '../core/machine/decision.ts'
import type { DiskShape } from '../core/decisions/dataDiskDecisions.ts'
import type { Machine, Snapshots } from '../core/machine/plan.ts'
import type { ResolvedMachine } from '../core/machine/resolveMachine.ts'
import { subtract } from '../core/quantity/exact.ts'
import { formatDifference } from './money'
import { NOT_KNOWN } from './notKnown'
import { offPlanWords } from './offPlan'
import { weekText } from './week'
import type { Notch, Plate } from '../core/notches/plate.ts'
import { formatNumber } from './number'

export const plateName = ({ decision, position }: Pick<Plate, 'decision' | 'position'>): string =>
  position === undefined ? decisionName(decision) : `${decisionName(decision)} ${position}`

export interface ChoiceWords {
  readonly name: string
  readonly about: string
}

const sizeAbout = (size: Size | undefined): string => {
  if (!size) return ''
  const arch = size.architecture === 'arm64' ? ', arm64' : ''
  return `${size.vcpu}${size.sharedCore ? ' shared' : ''} vCPU, ${size.memoryGiB} GiB${arch}`
}

function sizeWords({ size: id, chosen }: ChoiceOf<'size'>, { index, machine }: ResolvedMachine): ChoiceWords {
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

const gibText = (room: number): string => `${formatNumber(room)} GiB`

function diskWords(
  { disk: shape }: { readonly disk: DiskShape | undefined },
  { index, size }: ResolvedMachine,
): ChoiceWords {
  if (!shape) return { name: 'None', about: 'no such disk' }
  const kind = index.diskKinds.get(shape.kind)
  const charged = kind && chargedRoom(kind, shape.roomGiB, size)
  return {
    name: `${kind?.name ?? shape.kind} ${gibText(shape.roomGiB)}`,
    about: chargedText(charged),
  }
}

const chargedText = (room: number | undefined): string =>
  room === undefined ? 'no such room' : `charged as ${formatNumber(room)}`

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

function imageWords({ image: id, ownLicence }: ChoiceOf<'image'>, { index }: ResolvedMachine): ChoiceWords {
  const image = index.images.get(id)
  const name = image?.name ?? id
  return ownLicence
    ? { name: `${name}, own licence`, about: 'licence brought along' }
    : { name, about: image?.about ?? '' }
}

/** A decision's name, and the words of a choice of it; `place` is the book of another provider that a place is in. */
interface DecisionWords<D extends Decision> {
  readonly name: string
  readonly words: (choice: ChoiceOf<D>, resolved: ResolvedMachine, place: BookIndex) => ChoiceWords
}

const DECISION_WORDS: { readonly [D in Decision]: DecisionWords<D> } = {
  size: { name: 'Size', words: sizeWords },
  vcpu: {
    name: 'vCPU',
    words: ({ chosen }, { size }) => ({
      name: `${chosen.vcpu} vCPU`,
      about: `of ${size.choice?.vcpu.most ?? 0} at most`,
    }),
  },
  memory: {
    name: 'Memory',
    words: ({ chosen }, { size }) => ({
      name: gibText(chosen.memoryGiB),
      about: `of ${size.choice?.memoryGiB.most ?? 0} at most`,
    }),
  },
  place: { name: 'Place', words: placeWords },
  terms: {
    name: 'Terms',
    words: ({ terms: id }, { index }) => {
      const terms = index.terms.get(id)
      return { name: terms?.name ?? id, about: termsAbout(terms) }
    },
  },
  image: { name: 'Image', words: imageWords },
  'disk-kind': {
    name: 'System disk',
    words: ({ kind: id }, { index }) => {
      const kind = index.diskKinds.get(id)
      const iops = kind?.iops && formatNumber(kind.iops.most)
      return { name: kind?.name ?? id, about: iops ? `up to ${iops} IOPS` : `IOPS ${NOT_KNOWN}` }
    },
  },
  'disk-room': {
    name: 'Disk room',
    words: ({ roomGiB }, { systemKind, size }) => ({
      name: gibText(roomGiB),
      about: chargedText(chargedRoom(systemKind, roomGiB, size)),
    }),
  },
  'data-disk': { name: 'Data disk', words: diskWords },
  'new-disk': { name: 'Another data disk', words: diskWords },
  snapshots: {
    name: 'Snapshots',
    words: ({ scheme }) => {
      if (scheme === 'none') return { name: 'None', about: 'nothing to go back to' }
      if (scheme === 'as-is') return { name: 'Disk by disk', about: 'not all alike' }
      return { name: snapshotText(scheme), about: 'of each disk' }
    },
  },
  address: { name: 'Public address', words: ({ address }) => ADDRESS_WORDS[address] },
  off: { name: 'When off', words: offPlanWords },
  week: { name: 'On hours', words: ({ week }) => ({ name: week.name, about: weekText(week) }) },
  traffic: {
    name: 'Traffic out',
    words: ({ trafficOutGiB }) => ({ name: gibText(trafficOutGiB), about: 'a month' }),
  },
}

export const decisionName = (decision: Decision): string => DECISION_WORDS[decision].name

const wordsOf = <D extends Decision>(
  choice: ChoiceOf<D>,
  resolved: ResolvedMachine,
  place: BookIndex,
): ChoiceWords => {
  const { words }: DecisionWords<D> = DECISION_WORDS[choice.decision]
  return words(choice, resolved, place)
}

/** A choice's name, and a few words on what it is. `carried` is the machine in another provider's place. */
export const choiceWords = (
  { choice, carried, index: elsewhere }: Pick<Notch, 'choice' | 'carried' | 'index'>,
  resolved: ResolvedMachine,
): ChoiceWords => wordsOf(choice, resolved, elsewhere ?? carried?.resolved.index ?? resolved.index)

function placeWords(
  { provider, region: id, zone }: ChoiceOf<'place'>,
  { machine, index: own }: ResolvedMachine,
  { regions, book }: BookIndex,
): ChoiceWords {
  const region = regions.get(id)?.region
  const name = `${region?.name ?? id} ${zone}`
  return provider === machine.provider
    ? { name, about: region?.jurisdiction ?? '' }
    : {
        name: `${name}, ${provider === book.provider.id ? providerName(book, [own.book, book]) : provider}`,
        about: region?.jurisdiction ?? '',
      }
}

/** What the month would cost more or less with this choice. */
export const notchDifference = ({ total, difference }: Notch): string =>
  total && difference ? formatDifference(total, subtract(total, difference)) : 'no price'
