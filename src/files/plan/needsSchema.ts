import Joi from 'joi'
import { IMAGE_NEEDS } from '../../core/machine/imageNeed.ts'
import { KEEPS, MOST_PLACES } from '../../core/machine/needs.ts'
import { count, id, label, listOf, room } from '../reading/rules.ts'

/** What a machine must have: the first three always stand there, zero asks for nothing. */
export const needs = Joi.object({
  vcpu: count(4_096).required(),
  memoryGiB: Joi.number().min(0).max(65_536).required(),
  iops: count(10_000_000).required(),
  megabytesPerSecond: count(1_000_000),
  diskGiB: room,
  accelerators: count(64),
  image: Joi.valid(...IMAGE_NEEDS),
  architecture: Joi.valid('x86-64', 'arm64'),
  jurisdictions: listOf(label(20), 50).unique(),
  usedFrom: listOf(label(60), MOST_PLACES).unique(),
  roundTripMs: count(10_000).min(1),
  keeps: Joi.array()
    .items(Joi.valid(...KEEPS))
    .max(KEEPS.length)
    .unique(),
  backWithinSeconds: count(86_400).min(1),
})

const MOST_MEASURED = 500

/** Where people sit, with the round trips that they measured. */
export const userPlace = Joi.object({
  name: label(60).required(),
  latitude: Joi.number().min(-90).max(90).required(),
  longitude: Joi.number().min(-180).max(180).required(),
  measured: listOf(
    Joi.object({
      provider: id.required(),
      region: id.required(),
      milliseconds: count(10_000).min(1).required(),
    }),
    MOST_MEASURED,
  ),
})
