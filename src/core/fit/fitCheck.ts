import type { Decision } from '../machine/decision.ts'
import type { ResolvedDisk, ResolvedMachine } from '../machine/resolveMachine.ts'
import type { FitReason } from './fitReason.ts'

/** One rule of fit, and the decisions that could mend it: a choice is closed only by rules that concern its decision. */
export interface FitCheck {
  readonly concerns: readonly Decision[]
  /** `disks` are those that the asked decision is about; all of the machine's where no decision is asked for. */
  readonly find: (machine: ResolvedMachine, disks: readonly ResolvedDisk[]) => FitReason | undefined
}

/** What a check that holds wherever the machine stands may look at. */
export type SizeSubject = Pick<ResolvedMachine, 'size' | 'machine' | 'image' | 'dataKinds' | 'held'>

export interface SizeCheck extends Pick<FitCheck, 'concerns'> {
  readonly find: (machine: SizeSubject) => FitReason | undefined
}

/** What a check of a place may look at, before anything else of the machine is known there. */
export type PlaceSubject = Pick<ResolvedMachine, 'region' | 'machine' | 'users' | 'apart'>

export interface PlaceCheck extends Pick<FitCheck, 'concerns'> {
  readonly find: (machine: PlaceSubject) => FitReason | undefined
}
