import type { GiB } from '../quantity/units.ts'
import type { PowerState } from '../power/powerState.ts'

/** Prices stay decimal text until they are metered: 0.2067, never a binary float. */
type DecimalText = string

type Architecture = 'x86-64' | 'arm64'

/** One provider's catalogue, prices and billing rules, in one currency. docs/formats/price-book.md describes the file. */
export interface PriceBook {
  readonly provider: { readonly id: string; readonly name: string }
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
  readonly prices: { readonly [regionId: string]: RegionPrices }
}

interface BillingRules {
  /** charged seconds = ceil(max(length, minimum) / increment) × increment, for each run. */
  readonly minimumSeconds: number
  readonly incrementSeconds: number
  /** vCPU that one physical core stands for, where sizes are sold in cores. */
  readonly vcpuPerCore?: number
  /** Rates that fall as the machine's share of the month grows, each for its own hours only. */
  readonly longRunRebate?: readonly { readonly upToShare: DecimalText; readonly rateShare: DecimalText }[]
}

/** Which meters run in which state. A state that is missing is one that the provider does not have. */
type StateTable = { readonly running: StateRow } & {
  readonly [State in Exclude<PowerState, 'running'>]?: StateRow
}

export interface StateRow {
  readonly compute: boolean
  readonly licence: boolean
  readonly disks: boolean
  /** Which of the address rates applies. */
  readonly address: AddressUse
  readonly memoryImage: boolean
  /** Time to go into this state from running, and to come back; absent for running. */
  readonly leave?: ChangeTime
  readonly return?: ChangeTime
}

interface ChangeTime {
  readonly seconds: number
  /** On top, for each GiB of memory. */
  readonly secondsPerGiB?: number
}

export type AddressUse = 'attachedOn' | 'attachedOff' | 'unattached' | 'none'

interface HibernationRules {
  readonly mostMemoryGiB: GiB
  /** After this stay the provider may end it. */
  readonly longestStayHours?: number
}

export interface Region {
  readonly id: string
  readonly name: string
  readonly country: string
  readonly jurisdiction: string
  readonly latitude: number
  readonly longitude: number
  readonly zones: readonly string[]
}

interface Family {
  readonly id: string
  readonly name: string
  readonly about: string
}

export interface Size {
  readonly id: string
  readonly name: string
  readonly family: string
  readonly generation: number
  readonly architecture: Architecture
  readonly vcpu: number
  readonly sharedCore?: boolean
  readonly memoryGiB: GiB
  readonly localDiskGiB?: GiB
  readonly accelerator?: { readonly name: string; readonly count: number; readonly memoryGiB: GiB }
  /** The most disks it carries, the system disk among them. */
  readonly mostDisks: number
  readonly diskKinds: readonly string[]
  readonly iops: number
  readonly megabytesPerSecond: number
  readonly networkMegabitsPerSecond: number
  readonly hibernation: boolean
}

export interface DiskKind {
  readonly id: string
  readonly name: string
  readonly about: string
  /** By steps the next step up is charged; by the GiB, what was asked for. */
  readonly room:
    | { readonly by: 'step'; readonly stepsGiB: readonly GiB[] }
    | { readonly by: 'gib'; readonly leastGiB: GiB; readonly mostGiB: GiB }
  /** IOPS = clamp(base + perGiB × charged GiB, least, most). */
  readonly iops: IopsRule
  readonly megabytesPerSecond: { readonly base: number; readonly perGiB: number; readonly most: number }
  readonly boots: boolean
}

interface IopsRule {
  readonly base: number
  readonly perGiB: number
  readonly least: number
  readonly most: number
}

export interface Licence {
  readonly id: string
  readonly name: string
  readonly perVcpuHour: DecimalText
  /** vCPU charged at the least. */
  readonly leastVcpu: number
  readonly ownLicence: boolean
}

export interface Image {
  readonly id: string
  readonly name: string
  readonly about: string
  readonly architectures: readonly Architecture[]
  readonly least: { readonly vcpu: number; readonly memoryGiB: GiB; readonly diskGiB: GiB }
  /** Room on the system disk that the image itself takes. */
  readonly usedGiB: GiB
  readonly hibernation: boolean
  readonly licence?: string
}

type Terms =
  | { readonly id: string; readonly name: string; readonly kind: 'on-demand' }
  | { readonly id: string; readonly name: string; readonly kind: 'spot'; readonly interruption: string }
  | {
      readonly id: string
      readonly name: string
      readonly kind: 'commitment'
      readonly months: number
      readonly upFront: 'none' | 'part' | 'all'
    }
  | { readonly id: string; readonly name: string; readonly kind: 'flat'; readonly capHours: number }

interface FreeAllowance {
  readonly id: string
  readonly hoursPerMonth?: number
  readonly gibPerMonth?: GiB
  readonly eligible: readonly string[]
  readonly until: string
}

interface Quotas {
  readonly vcpu?: number
  readonly machines?: number
  readonly fixedAddresses?: number
}

export interface RegionPrices {
  readonly sizes: { readonly [sizeId: string]: SizePrice }
  readonly disks: { readonly [kindId: string]: DiskPrice }
  /** Per hour, for each address of the sort. */
  readonly addresses: {
    readonly fixed?: AddressPrice
    readonly changing?: AddressPrice
  }
  readonly memoryImagePerGiBMonth?: DecimalText
  readonly snapshotPerGiBMonth?: DecimalText
  /** Bands in order; the last one has no end. */
  readonly trafficOut?: readonly { readonly upToGiB?: number; readonly perGiB: DecimalText }[]
}

interface SizePrice {
  readonly perHour: DecimalText
  /** Zones of the region that sell it; all of them when absent. */
  readonly zones?: readonly string[]
  /** By the id of terms other than on demand. */
  readonly terms?: {
    readonly [termsId: string]: { readonly perHour: DecimalText; readonly upFront?: DecimalText }
  }
}

interface DiskPrice {
  /** By step, for kinds that are sold by steps. */
  readonly perMonthByStep?: { readonly [stepGiB: string]: DecimalText }
  readonly perGiBMonth?: DecimalText
  readonly perTenThousandOperations?: DecimalText
  readonly perExtraIopsMonth?: DecimalText
}

type AddressPrice = { readonly [Use in Exclude<AddressUse, 'none'>]: DecimalText }
