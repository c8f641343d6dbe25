import { KEEPS, type Keep, type Needs } from '../machine/needs.ts'
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
  | `keep-${Keep}`

/** What is asked for at all, in the order in which it is read. */
export function needsAsked(needs: Needs): NeedId[] {
  const asked: [NeedId, boolean][] = [
    ['vcpu', needs.vcpu > 0],
    ['memory', needs.memoryGiB > 0],
    ['iops', needs.iops > 0],
    ['throughput', (needs.megabytesPerSecond ?? 0) > 0],
    ['disk', (needs.diskGiB ?? 0) > 0],
    ['accelerators', (needs.accelerators ?? 0) > 0],
    ['image', needs.image !== undefined],
    ['architecture', needs.architecture !== undefined],
    ['jurisdictions', (needs.jurisdictions?.length ?? 0) > 0],
    ['round-trip', needs.roundTripMs !== undefined && (needs.usedFrom?.length ?? 0) > 0],
    ['apart', needs.apart !== undefined],
    ...KEEPS.map((keep): [NeedId, boolean] => [`keep-${keep}`, needs.keeps?.includes(keep) ?? false]),
    ['back-within', needs.backWithinSeconds !== undefined],
  ]
  return asked.filter(([, isAsked]) => isAsked).map(([id]) => id)
}

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
    case 'architecture':
      return without(needs, 'architecture')
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
      return 'keep-hardware'
    case 'back-too-late':
      return 'back-within'
    default:
      return undefined
  }
}
