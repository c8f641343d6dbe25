import type { AccountFacts, Quotas } from './account.ts'
import type { GiB } from '../quantity/units.ts'
import type { AddressUse, DecimalText, RegionPrices } from './regionPrices.ts'
import type { PowerState } from '../off/powerState.ts'

type Architecture = 'x86-64' | 'arm64'

/** One provider's catalogue, prices and billing rules, in one currency. docs/formats/price-book.md describes the file. */
export interface PriceBook {
  readonly provider: {
    readonly id: string
    readonly name: string
    /** Made up to try things out: nobody sells at these prices. */
    readonly invented?: boolean
  }
  readonly edition: string
  readonly currency: string
  readonly valid: { readonly from: string; readonly until?: string }
  /** The IANA zone in which the provider's month begins. */
  readonly billingZone: string
  readonly billing: BillingRules
  readonly states: StateTable
  readonly hibernation?: HibernationRules
  readonly regions: readonly Region[]
  readonly families: readonly Family[]
  readonly sizes: readonly Size[]
  readonly diskKinds: readonly DiskKind[]
  readonly licences: readonly Licence[]
  readonly images: readonly Image[]
  readonly terms: readonly Terms[]
  readonly freeAllowances?: readonly FreeAllowance[]
  readonly quotas?: Quotas
  /** Sizes of earlier editions that are no longer sold, and the size that took the place of each. */
  readonly replacedSizes?: { readonly [withdrawnSizeId: string]: string }
  readonly prices: { readonly [regionId: string]: RegionPrices }
  /** What stands in the book and nobody has confirmed. */
  readonly assumed?: readonly Assumption[]
  /** What the person's account may have of it; no part of the file. */
  readonly account?: AccountFacts
}

export interface Assumption {
  /** A billing answer, or another thing that a list did not say: `when-off`. */
  readonly about: string
  /** Where it comes from: `manner/gives-back`. */
  readonly from: string
}

export interface BillingRules {
  /** charged seconds = ceil(max(length, minimum) / increment) × increment, for each run. */
  readonly minimumSeconds: number
  readonly incrementSeconds: number
  /** What a machine costs at the least in a month in which there is one. */
  readonly minimumPerMachineMonth?: DecimalText
  /** Cap of a flat term that was answered to be on demand: it holds again once that is taken back. */
  readonly flatCapHours?: number
  /** vCPU that one physical core stands for, where sizes are sold in cores. */
  readonly vcpuPerCore?: number
  /** On-demand rates that fall as the machine's share of the month grows; each band for its own hours only. */
  readonly longRunRebate?: readonly RebateBand[]
}

export interface RebateBand {
  /** End of the band as a share of the month; the last one is 1. */
  readonly upToShare: DecimalText
  /** What is charged of the rate: 0.9 for a tenth off. */
  readonly rateShare: DecimalText
}

/** Which meters run in which state. A state that is missing is one that the provider does not have. */
type StateTable = { readonly running: StateRow } & {
  readonly [State in Exclude<PowerState, 'running'>]?: StateRow
}

export interface StateRow {
  readonly compute: boolean
  readonly licence: boolean
  /** False: only disks that do not go with the machine. */
  readonly disks: boolean
  /** Which of the address rates applies; `unattached` only where the address does not go with the machine. */
  readonly address: AddressUse
  readonly memoryImage: boolean
  /** Time to go into this state from running, and to come back; absent for running. */
  readonly leave?: ChangeTime
  readonly return?: ChangeTime
}

export interface ChangeTime {
  readonly seconds: number
  /** On top, for each GiB of memory. */
  readonly secondsPerGiB?: number
  /** On top, for each GiB that the newest snapshot of the system disk restores. */
  readonly secondsPerRestoredGiB?: number
}

export interface HibernationRules {
  readonly mostMemoryGiB: GiB
  /** After this stay the provider may end it. */
  readonly longestStayHours?: number
}

/** What a list of prices does not say is absent, and not known: it closes nothing, and is to be checked where a machine rests on it. */
export interface Region {
  readonly id: string
  readonly name: string
  readonly country?: string
  readonly jurisdiction?: string
  /** Degrees, north and east positive; both or neither. */
  readonly latitude?: number
  readonly longitude?: number
  readonly zones: readonly string[]
  /** Names of the parts of each zone that fail on their own; a machine stands in one of them. */
  readonly faultDomains?: readonly string[]
  /** Grams of carbon dioxide for each kilowatt-hour of its electricity, as the provider says. */
  readonly carbonGramsPerKwh?: number
}

export interface Family {
  readonly id: string
  readonly name: string
  readonly about?: string
}

/** Figures that are absent are not known: they close nothing. */
export interface Size {
  readonly id: string
  readonly name: string
  readonly family: string
  readonly generation?: number
  readonly architecture?: Architecture
  readonly vcpu: number
  /** Physical cores, where the provider sells by them: vcpu = cores × vcpuPerCore. */
  readonly cores?: number
  readonly sharedCore?: boolean
  readonly memoryGiB: GiB
  /** vCPU and memory are chosen within these; `vcpu` and `memoryGiB` above are what is proposed. */
  readonly choice?: SizeChoice
  /** A disk of its own, part of the price; what it holds is lost when the hardware is given back. */
  readonly localDiskGiB?: GiB
  /** Traffic out that is part of the price, a month. */
  readonly includedTrafficGiB?: GiB
  readonly accelerator?: { readonly name: string; readonly count: number; readonly memoryGiB: GiB }
  /** The most disks it carries, the system disk among them. */
  readonly mostDisks?: number
  /** Kinds that it can carry. */
  readonly diskKinds?: readonly string[]
  readonly iops?: number
  readonly megabytesPerSecond?: number
  readonly networkMegabitsPerSecond?: number
  readonly hibernation?: boolean
}

export interface SizeChoice {
  readonly vcpu: Steps
  readonly memoryGiB: Steps
}

export interface Steps {
  readonly least: number
  readonly most: number
  readonly step: number
}

export interface DiskKind {
  readonly id: string
  readonly name: string
  readonly about?: string
  /** By steps the next step up is charged; by the GiB, what was asked for; by the size, its own disk, which costs nothing more. */
  readonly room:
    | { readonly by: 'step'; readonly stepsGiB: readonly GiB[] }
    | { readonly by: 'gib'; readonly leastGiB: GiB; readonly mostGiB: GiB }
    | { readonly by: 'size' }
  /** IOPS = clamp(base + perGiB × charged GiB, least, most) + what is bought on top. */
  readonly iops?: PerformanceRule
  readonly megabytesPerSecond?: PerformanceRule
  readonly boots: boolean
}

export interface PerformanceRule {
  readonly base: number
  readonly perGiB: number
  readonly least?: number
  readonly most: number
  /** The most that can be bought on top; none can where this is absent. */
  readonly boughtMost?: number
}

export interface Licence {
  readonly id: string
  readonly name: string
  /** Where it stands beside no size's price: for each vCPU. Absent, it is sold with the sizes that price it, and no others. */
  readonly perVcpuHour?: DecimalText
  /** vCPU charged at the least. */
  readonly leastVcpu: number
  readonly ownLicence: boolean
}

export interface Image {
  readonly id: string
  readonly name: string
  readonly about?: string
  readonly architectures?: readonly Architecture[]
  readonly least?: { readonly vcpu: number; readonly memoryGiB: GiB; readonly diskGiB: GiB }
  /** Room on the system disk that the image itself takes. */
  readonly usedGiB?: GiB
  readonly hibernation?: boolean
  readonly licence?: string
  /** A surcharge on top, charged as a licence is. */
  readonly subscription?: string
}

export type Terms =
  | { readonly id: string; readonly name: string; readonly kind: 'on-demand' }
  | {
      readonly id: string
      readonly name: string
      readonly kind: 'spot'
      /** How often machines are taken away, in the provider's words. */
      readonly interruption: string
      readonly hibernation?: boolean
    }
  | {
      readonly id: string
      readonly name: string
      readonly kind: 'commitment'
      readonly months: number
      readonly upFront: 'none' | 'part' | 'all'
    }
  /** Charged while the machine exists; after so many hours of a month nothing more. */
  | { readonly id: string; readonly name: string; readonly kind: 'flat'; readonly capHours?: number }

/** Free hours of eligible sizes on demand, or free GiB-months of eligible disks: one pool for the whole account. */
export interface FreeAllowance {
  readonly id: string
  readonly name?: string
  readonly hoursPerMonth?: number
  readonly gibPerMonth?: GiB
  /** Sizes that use the hours. */
  readonly eligible: readonly string[]
  /** Disk kinds that use the GiB. */
  readonly eligibleKinds?: readonly string[]
  /** The last day, in the billing zone. */
  readonly until: string
}
