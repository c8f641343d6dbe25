import { applyPatches } from 'immer'
import Joi from 'joi'
import type { Plan } from '../core/machine/plan.ts'
import { passesAsChanged } from '../files/plan/checkChange.ts'
import { spreadPatches, type CompactPatch } from './compactPatches.ts'
import type { StepPatches } from './history.ts'

const index = Joi.number().integer().min(0)
const name = Joi.string().allow('').invalid('__proto__', 'constructor', 'prototype')

const patches = Joi.array()
  .items(
    Joi.object({
      op: Joi.valid('add', 'remove', 'replace').required(),
      path: Joi.array()
        .items(Joi.alternatives(name, index, Joi.array().items(index).max(10_000)))
        .max(16)
        .required(),
      value: Joi.any(),
    }),
  )
  .max(100_000)
  .required()

const stepSchema = Joi.object<{ forward: CompactPatch[]; inverse: CompactPatch[] }>({
  forward: patches,
  inverse: patches,
}).unknown()

/** Once they are spread: one of the store can stand for thousands. */
const MOST_PATCHES = 200_000

const sizeOf = (patches: readonly CompactPatch[]): number =>
  patches.reduce((sum, { path }) => sum + (path.find((step) => typeof step === 'object')?.length ?? 1), 0)

/** What a stored step changes, where it has the form of one. */
export function stepPatches(stored: unknown): StepPatches | undefined {
  const { value, error } = stepSchema.validate(stored, { convert: false })
  if (error || sizeOf(value.forward) > MOST_PATCHES || sizeOf(value.inverse) > MOST_PATCHES) return undefined
  return { forward: spreadPatches(value.forward), inverse: spreadPatches(value.inverse) }
}

/** The plan that a stored step leads to; undefined where the step cannot be taken or would break the plan. */
export function stepped(plan: Plan, patches: StepPatches['forward']): Plan | undefined {
  try {
    const next = applyPatches(plan, [...patches])
    return passesAsChanged(plan, next) ? next : undefined
  } catch {
    return undefined
  }
}
