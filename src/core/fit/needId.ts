import { KEEPS, type Keep, type Needs } from '../machine/needs.ts'
import type { Held } from '../machine/held.ts'
import { gib } from '../quantity/units.ts'
import type { FitReason } from './fitReason.ts'

/** One thing that a machine must have. */
export type NeedId =
  | 'vcpu'
  | 'memory'
  | 'iops'
  | 'throughput'
  | 'disk'
  | 'accelerators'
  | 'image'
  | 'architecture'
  | 'jurisdictions'
  | 'round-trip'
  | 'apart'
  | 'back-within'
  | HeldNeed
  | `keep-${Keep}`

/** What a machine has now and needs until somebody says that it may go. */
export const HELD_NEEDS = ['disk-rooms', 'architecture', 'interruption', 'data'] as const
export type HeldNeed = (typeof HELD_NEEDS)[number]

export const isHeldNeed = (id: NeedId): id is HeldNeed => (HELD_NEEDS as readonly NeedId[]).includes(id)

/** What there is of it to lose at all; all of it where nobody knows what the machine has. */
export function heldNeeds(held: Held | undefined): HeldNeed[] {
  if (!held) return [...HELD_NEEDS]
  const has: Record<HeldNeed, boolean> = {
    'disk-rooms': true,
    architecture: held.architecture !== undefined,
    interruption: !held.mayBeTaken,
    data: held.keepsData,
  }
  return HELD_NEEDS.filter((id) => has[id])
}

/** Whether a person has said that it may go. */
export const isEased = (needs: Needs, id: HeldNeed): boolean => needs[FIELDS[id]] === 'any'

/** That it may go, or that it is needed as it is now. */
export const easing = (id: HeldNeed, mayGo: boolean): Easing => ({
  [FIELDS[id]]: mayGo ? 'any' : undefined,
})

type Easing = { readonly [Field in (typeof FIELDS)[HeldNeed]]?: 'any' | undefined }

const FIELDS = {
  'disk-rooms': 'disks',
  architecture: 'architecture',
  interruption: 'interruption',
  data: 'data',
} as const satisfies Record<HeldNeed, keyof Needs>

/** What is asked for at all, in the order in which it is read; of what it has now, what there is to lose. */
export function needsAsked(needs: Needs, held?: Held): NeedId[] {
  const there = heldNeeds(held)
  const isHeld = (id: HeldNeed): boolean => there.includes(id) && !isEased(needs, id)
  const asked: [NeedId, boolean][] = [
    ['vcpu', needs.vcpu > 0],
    ['memory', needs.memoryGiB > 0],
    ['iops', needs.iops > 0],
    ['throughput', (needs.megabytesPerSecond ?? 0) > 0],
    ['disk', (needs.diskGiB ?? 0) > 0],
    ['accelerators', (needs.accelerators ?? 0) > 0],
    ['image', needs.image !== undefined],
    ['disk-rooms', isHeld('disk-rooms')],
    ['architecture', isHeld('architecture') || ARCHITECTURES.has(needs.architecture)],
    ['interruption', isHeld('interruption')],
    ['data', isHeld('data')],
    ['jurisdictions', (needs.jurisdictions?.length ?? 0) > 0],
    ['round-trip', needs.roundTripMs !== undefined && (needs.usedFrom?.length ?? 0) > 0],
    ['apart', needs.apart !== undefined],
    ...KEEPS.map((keep): [NeedId, boolean] => [`keep-${keep}`, needs.keeps?.includes(keep) ?? false]),
    ['back-within', needs.backWithinSeconds !== undefined],
  ]
  return asked.filter(([, isAsked]) => isAsked).map(([id]) => id)
}

const ARCHITECTURES: ReadonlySet<Needs['architecture']> = new Set(['x86-64', 'arm64'])

/** The same needs, this one not asked for. */
export function withoutNeed(needs: Needs, id: NeedId): Needs {
  switch (id) {
    case 'vcpu':
      return { ...needs, vcpu: 0 }
    case 'memory':
      return { ...needs, memoryGiB: gib(0) }
    case 'iops':
      return { ...needs, iops: 0 }
    case 'throughput':
      return without(needs, 'megabytesPerSecond')
    case 'disk':
      return without(needs, 'diskGiB')
    case 'accelerators':
      return without(needs, 'accelerators')
    case 'image':
      return without(needs, 'image')
    case 'disk-rooms':
    case 'architecture':
    case 'interruption':
    case 'data':
      return { ...needs, [FIELDS[id]]: 'any' }
    case 'jurisdictions':
      return without(needs, 'jurisdictions')
    case 'round-trip':
      return without(needs, 'roundTripMs')
    case 'apart':
      return without(needs, 'apart')
    case 'back-within':
      return without(needs, 'backWithinSeconds')
    default:
      return { ...needs, keeps: (needs.keeps ?? []).filter((keep) => id !== `keep-${keep}`) }
  }
}

/** The same needs, that may go or is needed as it is now. */
export const eased = (needs: Needs, id: HeldNeed, mayGo: boolean): Needs =>
  mayGo ? withoutNeed(needs, id) : without(needs, FIELDS[id])

function without(needs: Needs, field: keyof Needs): Needs {
  const rest: { -readonly [Field in keyof Needs]: Needs[Field] } = { ...needs }
  Reflect.deleteProperty(rest, field)
  return rest
}

/** The need that a choice does not meet; undefined where the reason lies in what is sold. */
export function needOf(reason: FitReason): NeedId | undefined {
  switch (reason.code) {
    case 'too-few-vcpu':
      return reason.by === 'needs' ? 'vcpu' : undefined
    case 'too-little-memory':
      return reason.by === 'needs' ? 'memory' : undefined
    case 'too-few-iops':
      return 'iops'
    case 'too-little-throughput':
      return 'throughput'
    case 'too-little-disk':
      return 'disk'
    case 'too-few-accelerators':
      return 'accelerators'
    case 'image-not-wanted':
      return 'image'
    case 'architecture-not-wanted':
      return 'architecture'
    case 'jurisdiction-not-allowed':
      return 'jurisdictions'
    case 'too-far':
      return 'round-trip'
    case 'shares-zone':
    case 'shares-fault-domain':
    case 'shares-region':
      return 'apart'
    case 'not-kept':
      return `keep-${reason.what}`
    case 'taken-away':
      return reason.by === 'as-now' ? 'interruption' : 'keep-hardware'
    case 'disk-smaller':
      return 'disk-rooms'
    case 'data-lost':
      return 'data'
    case 'back-too-late':
      return 'back-within'
    default:
      return undefined
  }
}
