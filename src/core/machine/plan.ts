import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { OffPlan } from '../off/offPlan.ts'
import type { GiB } from '../quantity/units.ts'
import type { Commands } from './switchActions.ts'
import type { AccountFacts } from '../catalogue/account.ts'
import type { Access } from './access.ts'
import type { ApartGroup } from './apartGroup.ts'
import type { PlateId } from './decision.ts'
import type { LifeDates } from './life.ts'
import type { Needs, UserPlace } from './needs.ts'
import type { Setup } from './setup.ts'

/** The document that a person edits. Everything shown is derived from it, the price books and the month. */
export interface Plan {
  /** Tells it from other plans of this browser; no part of a file that leaves it. */
  readonly id?: string
  readonly name: string
  /** The month that opens first. */
  readonly month: YearMonth
  readonly weeks: readonly WeekPlan[]
  /** Whom it considers, beside the providers on which its machines stand; everyone with a book where it does not say. */
  readonly providers?: readonly ConsideredProvider[]
  /** Names are unique. */
  readonly machines: readonly Machine[]
  /** What totals are shown in (ISO 4217); the currency of the first machine's price book when absent. */
  readonly currency?: string
  /** Rates that the person entered; nothing is converted without one. */
  readonly exchangeRates?: readonly ExchangeRate[]
  /** Percent on top of the total, as decimal text: "23". */
  readonly taxPercent?: string
  /** Where the people sit who use the machines. */
  readonly places?: readonly UserPlace[]
  /** Machines that must not fall together; names are unique. */
  readonly apartGroups?: readonly ApartGroup[]
  /** What switches a machine, by what is done; see `switchActions.ts`. */
  readonly commands?: Commands
  /** What a month may cost, in the plan's currency, before tax: decimal text. */
  readonly budget?: string
  readonly credit?: Credit
  /** What is still there and was to be deleted; whoever deletes it takes it from the list. */
  readonly cleanUp?: readonly LeftOver[]
}

/** Something that a bill showed to be left over. */
export interface LeftOver {
  /** What it is, as the bill names it: `disks of replay`. */
  readonly resource: string
  /** The month in whose bill it was found, and what it cost there, in the plan’s currency. */
  readonly month: YearMonth
  readonly cost: string
}

export const MOST_LEFT_OVER = 500

/** A provider that a plan looks at, and what the person's account may do there. */
export interface ConsideredProvider {
  readonly id: string
  readonly account?: AccountFacts
}

/** Money that was given to be spent by a date, in the plan's currency. */
export interface Credit {
  /** Decimal text. */
  readonly amount: string
  /** It pays from the first second of this date, `2027-03-01`. */
  readonly from: string
  /** Its last date: what is left when that is over is lost. */
  readonly expires: string
  /** IANA zone in which the dates are read. */
  readonly timeZone: string
  /** It pays for machines there alone. */
  readonly provider?: string
}

/** Longer ones are refused: each month of them is priced. */
export const LONGEST_CREDIT_YEARS = 10

/** One unit of `from` is `rate` units of `to`, from `date` on. */
export interface ExchangeRate {
  readonly from: string
  readonly to: string
  /** Decimal text. */
  readonly rate: string
  /** `2027-03-01`. */
  readonly date: string
}

type AddressSort = 'none' | 'changing' | 'fixed'

/** What was chosen of a size that leaves it to choose. */
export interface ChosenSize {
  readonly vcpu: number
  readonly memoryGiB: GiB
}

export interface Machine extends OffPlan, LifeDates {
  readonly name: string
  readonly purpose: string
  readonly needs: Needs
  /** Id of the provider, whose price book decides everything else. */
  readonly provider: string
  readonly region: string
  readonly zone: string
  readonly size: string
  /** vCPU and memory, where the size leaves them to choose. */
  readonly chosen?: ChosenSize
  readonly image: string
  /** The image's licence is brought along and not charged. */
  readonly ownLicence?: boolean
  readonly terms: string
  readonly systemDisk: Disk
  readonly dataDisks: readonly Disk[]
  readonly address: AddressSort
  /** A fixed address is given up when the machine is deleted; otherwise it stays and is charged. */
  readonly addressGoes?: boolean
  /** Expected traffic out a month. */
  readonly trafficOutGiB?: GiB
  /** Id of a week of the plan. */
  readonly week: string
  /** Plates that are kept as they are: nothing is proposed for them. */
  readonly pinned?: readonly PlateId[]
  /** How it is reached and who signs in. */
  readonly access?: Access
  /** What it does at its first start. */
  readonly setup?: Setup
  /** What the watch list found and the person accepts. */
  readonly accepted?: readonly AcceptedFinding[]
  /** What it is told from others by. */
  readonly tags?: Tags
  /** Who pays for it. */
  readonly costCentre?: string
  /** Forms of the machine that were kept. */
  readonly variants?: readonly Variant[]
}

/** Values by key. */
export interface Tags {
  readonly [key: string]: string
}

export const MOST_TAGS = 50

/** A key that could stand in a column's head: begins with a letter or digit, at most 40 letters on one line. */
export const TAG_KEY = /^[\p{L}\p{N}][^\p{Cc}\p{Cf}\p{Zl}\p{Zp}]{0,39}$/u

/** A machine as it stood when it was kept, to be set beside what it is now. Its name in the plan is not part of it. */
export interface Variant {
  /** Counts up in each machine, and is not given twice. */
  readonly number: number
  readonly name: string
  readonly form: MachineForm
}

/** All that is decided about a machine, without its name and what was kept of it. */
export type MachineForm = Omit<Machine, 'name' | 'variants'>

/** A finding of the watch list that is known and meant to be. */
export interface AcceptedFinding {
  /** The rule, and what it found where a rule can find several things: `port-open/22`. */
  readonly finding: string
  readonly note: string
}

export const MOST_ACCEPTED = 200

export interface Disk {
  readonly kind: string
  /** Room asked for; a kind sold by steps charges the next step up. */
  readonly roomGiB: GiB
  /** Deleted with the machine; otherwise it stays and is charged. */
  readonly goes?: boolean
  /** Bought on top of what the kind gives. */
  readonly extraIops?: number
  readonly extraMegabytesPerSecond?: number
  /** Expected reads and writes a month, for kinds that charge them. */
  readonly operationsPerMonth?: number
  readonly snapshots?: Snapshots
}

export const SNAPSHOT_EVERY = ['day', 'week', 'month', 'stop'] as const

/** Snapshots of one disk as they stand once all that are kept exist. */
export interface Snapshots {
  /** `stop`: each time the machine goes off. */
  readonly every: (typeof SNAPSHOT_EVERY)[number]
  /** How many are kept. */
  readonly kept: number
  /** Whole percent of the used room that changes from one to the next, 0 to 100. */
  readonly changedPercent: number
  /** Room in use, which the first one holds; for a system disk what the image takes, when absent. */
  readonly usedGiB?: GiB
}

/** Above these a plan is refused: nobody reads one table of that length, and it would stall the page. */
export const MOST_MACHINES = 5_000
export const MOST_WEEKS = 500
export const MOST_DATA_DISKS = 64
export const MOST_EXCHANGE_RATES = 500
export const MOST_PROVIDERS = 100
