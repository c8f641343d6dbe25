import Joi from 'joi'
import { IMAGE_NEEDS } from '../../core/machine/imageNeed.ts'
import { MOST_TOGETHER, type ApartGroup, type ApartNeed } from '../../core/machine/apartGroup.ts'
import { KEEPS, MOST_PLACES, type Needs, type UserPlace } from '../../core/machine/needs.ts'
import { count, id, label, listOf, need, objectOf, room } from '../reading/rules.ts'

/** What it has now must stay where nothing is said, which `as-now` says too; `any` lets it go. */
const asNow = (...values: readonly string[]) =>
  Joi.valid('any', ...values)
    .empty('as-now')
    .meta({ jsonSchema: { const: null, enum: ['as-now', 'any', ...values] } })

/** What a machine must have: the first three always stand there, zero asks for nothing. */
export const needs = objectOf<Needs>({
  image: Joi.valid(...IMAGE_NEEDS).description(
    'What will do for an image; the machine’s own, or one akin to it, where absent.',
  ),
  apart: objectOf<ApartNeed>({
    group: need(label(60)).description('Name of one of /apartGroups.'),
    sharesNothing: Joi.boolean().description(
      'No other machine of the group stands in its region, let alone in its zone.',
    ),
  }).description('The others of a group that it must not fall with.'),
  architecture: asNow('x86-64', 'arm64').description('That of its size now where absent.'),
  disks: asNow().description('Each disk has at least the room that it has now where absent.'),
  interruption: asNow().description('It is not taken away where absent, unless it may be now.'),
  data: asNow().description('Data disks stay in every state when off where absent, if they do now.'),
  vcpu: need(count(4_096)),
  memoryGiB: need(Joi.number().min(0).max(65_536)),
  accelerators: count(64),
  backWithinSeconds: count(86_400).min(1),
  diskGiB: room,
  iops: need(count(10_000_000)),
  jurisdictions: listOf(label(20), 50).unique(),
  keeps: Joi.array()
    .items(Joi.valid(...KEEPS))
    .max(KEEPS.length)
    .unique(),
  megabytesPerSecond: count(1_000_000),
  roundTripMs: count(10_000).min(1),
  usedFrom: listOf(label(60), MOST_PLACES).unique().description('Names of /places.'),
})

/** Machines that must not fall together. */
export const apartGroup = objectOf<ApartGroup>({
  name: need(label(60)),
  mostInZone: count(MOST_TOGETHER).min(1).description('So many of its machines at the most in one zone.'),
  mostInFaultDomain: count(MOST_TOGETHER)
    .min(1)
    .description('So many at the most in one fault domain of a zone, where the price book names them.'),
})

const MOST_MEASURED = 500

type Measured = NonNullable<UserPlace['measured']>[number]

/** Where people sit, with the round trips that they measured. */
export const userPlace = objectOf<UserPlace>({
  name: need(label(60)),
  latitude: need(Joi.number().min(-90).max(90)),
  longitude: need(Joi.number().min(-180).max(180)),
  measured: listOf(
    objectOf<Measured>({
      provider: need(id),
      region: need(id),
      milliseconds: need(count(10_000).min(1)),
    }),
    MOST_MEASURED,
  ),
})
