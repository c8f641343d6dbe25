import Joi from 'joi'
import type { History } from './history.ts'
import type { StoredEdit } from './database.ts'

const step = Joi.array()
  .items(
    Joi.object({
      op: Joi.valid('add', 'remove', 'replace').required(),
      path: Joi.array()
        .items(
          Joi.alternatives(
            Joi.string().allow('').invalid('__proto__', 'constructor', 'prototype'),
            Joi.number().integer().min(0),
          ),
        )
        .max(16)
        .required(),
      value: Joi.any(),
    }),
  )
  .max(100_000)
  .required()

const editSchema: Joi.ObjectSchema<StoredEdit> = Joi.object({
  seq: Joi.number().integer().min(1).required(),
  label: Joi.string().allow('').max(1_000).required(),
  forward: step,
  inverse: step,
})

/**
 * The history of what is stored: steps that can be taken back one after the other, and done again one after the other.
 * A step that is broken, or missing, ends it on its side; `lost` says how many are left out. O(steps).
 */
export function keptHistory(stored: readonly unknown[], cursor: number): History & { readonly lost: number } {
  const sound = new Map<number, StoredEdit>()
  for (const edit of stored) {
    const { value, error } = editSchema.validate(edit, { convert: false })
    if (!error) sound.set(value.seq, value)
  }
  const done: StoredEdit[] = []
  for (let edit = sound.get(cursor); edit; edit = sound.get(edit.seq - 1)) done.unshift(edit)
  const undone: StoredEdit[] = []
  for (let edit = sound.get(cursor + 1); edit; edit = sound.get(edit.seq + 1)) undone.push(edit)
  const edits = [...done, ...undone]
  return { edits, cursor, lost: stored.length - edits.length }
}
