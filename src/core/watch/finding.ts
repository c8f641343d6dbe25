import type { CutWindow } from '../calendar/cutWindows.ts'
import type { FactToCheck } from '../fit/factsToCheck.ts'
import type { FitReason } from '../fit/fitReason.ts'
import type { NameProblem } from '../machine/accessProblems.ts'
import type { Choice } from '../decisions/choice.ts'
import type { Machine } from '../machine/plan.ts'
import type { Estimate } from '../meter/estimateMachine.ts'
import type { Plate, PlatesInputs } from '../notches/plate.ts'
import type { LeftBehind } from '../meter/leftBehind.ts'
import type { PowerState } from '../off/powerState.ts'
import type { Exact } from '../quantity/exact.ts'
import type { GiB, Instant, Seconds } from '../quantity/units.ts'

/** `problem`: it will not work, or is unsafe; `warning`: money or data is at stake; `note`: good to know. */
export const SEVERITIES = ['problem', 'warning', 'note'] as const
export type Severity = (typeof SEVERITIES)[number]

/** What a rule found, with the figures that a sentence needs. Amounts are in the currency of the machine's book. */
export type FindingFacts =
  | {
      readonly code: 'off-still-charged'
      readonly state: PowerState
      readonly perHour: Exact
      readonly isFlat: boolean
    }
  | { readonly code: 'floor-when-off'; readonly floor: Exact; readonly diskGiB: GiB; readonly share: number }
  | {
      readonly code: 'rate-out-of-line'
      readonly size: string
      readonly family: string
      readonly perHour: Exact
      /** Times what its family costs a vCPU. */
      readonly factor: number
    }
  | {
      readonly code: 'shared-allowance'
      readonly allowance: string
      readonly machines: readonly string[]
      readonly usedUpAt: Instant
    }
  | { readonly code: 'left-after-delete'; readonly parts: readonly ('disks' | 'address' | 'snapshots')[] }
  | { readonly code: 'never-starts'; readonly week: string }
  | { readonly code: 'never-off'; readonly week: string; readonly offHours: Seconds }
  | { readonly code: 'left-on'; readonly gap: Seconds; readonly cost: Exact }
  | { readonly code: 'does-not-fit'; readonly reason: FitReason }
  | { readonly code: 'to-check'; readonly fact: FactToCheck }
  | { readonly code: 'same-in-several-zones'; readonly machines: readonly string[] }
  | { readonly code: 'port-open'; readonly port: number }
  | {
      readonly code: 'name-not-taken'
      readonly field: 'hostName' | 'administrator'
      readonly name: string
      readonly image: string
      readonly problem: NameProblem
    }
  | { readonly code: 'name-guessable'; readonly name: string }
  /** Rules that let the world in, by their places from 1, of a machine that the world cannot reach. */
  | { readonly code: 'rule-without-address'; readonly rules: readonly number[] }
  | { readonly code: 'password-only' }
  | { readonly code: 'left-behind'; readonly since: string; readonly parts: LeftBehind['parts'] }
  | ({ readonly code: 'window-cut-short' } & CutWindow)
  | { readonly code: 'address-changes'; readonly times: number }
  | {
      readonly code: 'just-above-step'
      readonly position: number
      readonly asked: GiB
      readonly charged: GiB
      readonly below: GiB
    }
  | { readonly code: 'more-room-than-needed'; readonly room: GiB; readonly needed: GiB }
  | { readonly code: 'currency-without-rate'; readonly from: string; readonly to: string }
  | { readonly code: 'printed-month'; readonly hours: number }
  /** The price book had been valid for so many months when the month began. */
  | {
      readonly code: 'old-prices'
      readonly provider: string
      readonly edition: string
      readonly since: string
      readonly months: number
    }
  | { readonly code: 'sold-by-cores'; readonly size: string; readonly cores: number; readonly vcpu: number }
  | {
      readonly code: 'over-quota'
      readonly what: 'vcpu' | 'machines' | 'fixedAddresses'
      readonly used: number
      readonly most: number
      readonly provider: string
    }
  | {
      readonly code: 'throttled'
      readonly figure: 'iops' | 'throughput'
      readonly given: number
      readonly reached: number
      readonly size: string
    }
  | { readonly code: 'shared-core'; readonly size: string; readonly starts: number }

/** One way to mend a finding: the machine as it would be. */
export interface Mend {
  readonly machine: Machine
  /** The notch that it takes, where it is one. */
  readonly choice?: Choice
  /** What the month costs more or less then; undefined where it changes nothing that is charged. */
  readonly difference?: Exact | undefined
}

export interface Finding {
  /** The rule, and what it found where it can find several things: `port-open/22`. Fit for a plan file. */
  readonly key: string
  readonly severity: Severity
  readonly facts: FindingFacts
  /** What it costs a month, where it costs. */
  readonly stake?: Exact | undefined
  readonly mend?: Mend | undefined
}

/** A priced machine among the others, with its plates, whose notches mend. */
export interface WatchInputs extends PlatesInputs {
  readonly plates: readonly Plate[]
  readonly estimate: Estimate
  /** All machines of the plan. */
  readonly machines: readonly Machine[]
}

export type WatchRule = (inputs: WatchInputs) => readonly Finding[]
