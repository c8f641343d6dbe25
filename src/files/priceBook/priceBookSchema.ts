import Joi from 'joi'
import type {
  Assumption,
  DiskKind,
  Family,
  FreeAllowance,
  HibernationRules,
  Image,
  Licence,
  PerformanceRule,
  PriceBook,
  Region,
  Size,
  SizeChoice,
  Steps,
  Terms,
} from '../../core/catalogue/priceBook.ts'
import {
  byKey,
  count,
  currency,
  date,
  id,
  idListOf,
  label,
  listOf,
  need,
  objectBy,
  objectOf,
  price,
  room,
  tag,
  timeZone,
  type Fields,
} from '../reading/rules.ts'
import { billing, states } from './billingSchema.ts'
import { MOST_KINDS, MOST_REGIONS, MOST_SIZES } from './bookLimits.ts'
import type { PriceBookFile } from './priceBookDocument.ts'
import { quotas } from './quotasSchema.ts'
import { regionPrices } from './regionPricesSchema.ts'

const country = Joi.string()
  .pattern(/^[A-Z]{2}$/)
  .messages({ 'string.pattern.base': 'a country of two capital letters (ISO 3166-1)' })

export const region = objectOf<Region>({
  id: need(id),
  name: need(label(60)),
  country,
  jurisdiction: label(20),
  latitude: Joi.number().min(-90).max(90).description('Degrees, north positive; both or neither.'),
  longitude: Joi.number().min(-180).max(180),
  zones: need(Joi.array().items(id).min(1).max(26).unique()),
  faultDomains: Joi.array()
    .items(label(20))
    .min(1)
    .max(50)
    .unique()
    .description('The parts of each zone that fail on their own; a machine stands in one of them.'),
  carbonGramsPerKwh: Joi.number()
    .min(0)
    .max(5_000)
    .description('Grams of carbon dioxide for each kilowatt-hour of its electricity.'),
})

/** Steps of a free choice; what can be chosen must be a figure that a plan can hold. */
const stepsOf = (figure: Joi.NumberSchema) =>
  objectOf<Steps>({
    least: need(figure),
    most: need(figure.min(Joi.ref('least'))),
    step: need(figure),
  })

export const size = objectOf<Size>({
  id: need(id),
  name: need(label(60)),
  hibernation: Joi.boolean(),
  diskKinds: Joi.array().items(id).min(1).max(MOST_KINDS).unique(),
  family: need(id),
  generation: Joi.number().integer().min(1).max(99),
  architecture: Joi.valid('x86-64', 'arm64'),
  vcpu: need(Joi.number().integer().min(1).max(4_096)),
  memoryGiB: need(room),
  accelerator: objectOf<NonNullable<Size['accelerator']>>({
    name: need(label(60)),
    memoryGiB: need(room),
    count: need(Joi.number().integer().min(1).max(64)),
  }),
  choice: objectOf<SizeChoice>({
    vcpu: need(stepsOf(count(4_096).min(1))),
    memoryGiB: need(stepsOf(room.max(65_536))),
  }).description('vCPU and memory are chosen within these.'),
  cores: Joi.number().integer().min(1).max(4_096).description('Physical cores; vcpu = cores × vcpuPerCore.'),
  includedTrafficGiB: room,
  iops: count(10_000_000),
  localDiskGiB: room,
  megabytesPerSecond: count(1_000_000),
  mostDisks: Joi.number().integer().min(1).max(256).description('The system disk among them.'),
  networkMegabitsPerSecond: count(10_000_000),
  sharedCore: Joi.boolean(),
}).description(
  'A figure that is absent is not known: it closes nothing, and is to be checked where a machine rests on it.',
)

type RoomBy<By extends DiskKind['room']['by']> = Extract<DiskKind['room'], { readonly by: By }>

const diskRoom = objectBy<DiskKind['room']>('by', {
  step: objectOf<RoomBy<'step'>>({
    by: tag('step'),
    stepsGiB: need(
      Joi.array()
        .items(room)
        .min(1)
        .max(60)
        .custom((steps: number[], helpers) =>
          steps.every((step, i) => i === 0 || step > steps[i - 1]!) ? steps : helpers.error('steps.order'),
        )
        .messages({ 'steps.order': 'steps that grow from one to the next' }),
    ),
  }).description('The next step up is charged.'),
  gib: objectOf<RoomBy<'gib'>>({
    by: tag('gib'),
    leastGiB: need(room),
    mostGiB: need(room.min(Joi.ref('leastGiB'))),
  }).description('What is asked for is charged.'),
  size: objectOf<RoomBy<'size'>>({ by: tag('size') }).description(
    'The size’s own disk, as large as its localDiskGiB; part of its price, and lost with the hardware.',
  ),
})

const performance = (most: number, rules: Pick<Fields<PerformanceRule>, 'least' | 'most'>) =>
  objectOf<PerformanceRule>({
    base: need(count(most)),
    boughtMost: count(most).description('The most that can be bought on top.'),
    ...rules,
    perGiB: need(Joi.number().min(0).max(100_000)),
  })

export const diskKind = objectOf<DiskKind>({
  id: need(id),
  name: need(label(60)),
  about: label(200),
  boots: need(Joi.boolean()),
  iops: performance(10_000_000, {
    least: count(10_000_000).required(),
    most: need(count(10_000_000).min(Joi.ref('least'))),
  }).description('clamp(base + perGiB × charged GiB, least, most)'),
  megabytesPerSecond: performance(1_000_000, { least: count(1_000_000), most: need(count(1_000_000)) }),
  room: need(diskRoom),
})

const licence = objectOf<Licence>({
  id: need(id),
  name: need(label(60)),
  leastVcpu: need(count(4_096)),
  ownLicence: need(Joi.boolean()),
  perVcpuHour: price.description(
    'Where a price of a size does not say what it costs there; absent, it is sold with those sizes alone.',
  ),
})

export const image = objectOf<Image>({
  id: need(id),
  name: need(label(60)),
  hibernation: Joi.boolean(),
  about: label(200),
  architectures: Joi.array().items(Joi.valid('x86-64', 'arm64')).min(1).max(2).unique(),
  least: objectOf<NonNullable<Image['least']>>({
    vcpu: need(count(4_096)),
    memoryGiB: need(room),
    diskGiB: need(room),
  }),
  licence: id,
  subscription: id.description('Id of a licence that is charged on top.'),
  usedGiB: room,
})

/** What is assumed, or why. */
const assumptionKey = Joi.string()
  .pattern(/^[a-z0-9-]+(\/[a-z0-9-]+)*$/)
  .max(100)
  .messages({ 'string.pattern.base': 'an assumption such as "when-off" or "manner/gives-back"' })

type TermsOf<Kind extends Terms['kind']> = Extract<Terms, { readonly kind: Kind }>

const named = { id: need(id), name: need(label(60)) }

export const terms = objectBy<Terms>('kind', {
  'on-demand': objectOf<TermsOf<'on-demand'>>({ ...named, kind: tag('on-demand') }),
  spot: objectOf<TermsOf<'spot'>>({
    ...named,
    hibernation: Joi.boolean(),
    interruption: need(label(60)),
    kind: tag('spot'),
  }).description('May be taken away at any time; interruption says how often, in the provider’s words.'),
  commitment: objectOf<TermsOf<'commitment'>>({
    ...named,
    kind: tag('commitment'),
    months: need(Joi.number().integer().min(1).max(120)),
    upFront: need(Joi.valid('none', 'part', 'all')),
  }).description('Paid for every hour of the term, with none, part or all of it up front.'),
  flat: objectOf<TermsOf<'flat'>>({ ...named, capHours: count(745), kind: tag('flat') }).description(
    'Charged while the machine exists; after capHours of a month nothing more.',
  ),
})

/** The shape of a price book file. References between its parts are checked by checkPriceBook. */
export const priceBookSchema = objectOf<PriceBookFile>({
  format: need(Joi.string()),
  provider: need(
    objectOf<PriceBook['provider']>({
      id: need(id),
      name: need(label(60)),
      invented: Joi.boolean().description('Made up to try things out: nobody sells at these prices.'),
    }),
  ),
  edition: need(label(40)),
  currency: need(currency),
  valid: need(objectOf<PriceBook['valid']>({ from: need(date), until: date })),
  billingZone: need(timeZone).description('IANA zone in which the provider’s month begins.'),
  terms: need(idListOf(terms, 50).min(1)),
  billing: need(billing),
  states: need(states),
  hibernation: objectOf<HibernationRules>({
    longestStayHours: count(100_000),
    mostMemoryGiB: need(room),
  }),
  regions: need(idListOf(region, MOST_REGIONS).min(1)),
  families: need(idListOf(objectOf<Family>({ id: need(id), name: need(label(60)), about: label(200) }), 200)),
  sizes: need(idListOf(size, MOST_SIZES)),
  diskKinds: need(idListOf(diskKind, MOST_KINDS).min(1)),
  licences: need(idListOf(licence, 200)),
  images: need(idListOf(image, 500).min(1)),
  prices: need(byKey(id, regionPrices, MOST_REGIONS)).description('By region id; every region has an entry.'),
  assumed: listOf(
    objectOf<Assumption>({
      about: need(assumptionKey),
      from: need(assumptionKey),
    }),
    200,
  )
    .unique('about', { ignoreUndefined: true })
    .description('What stands in the book and nobody has confirmed, and where it comes from.'),
  freeAllowances: idListOf(
    objectOf<FreeAllowance>({
      id: need(id),
      name: label(60),
      eligible: need(listOf(id, MOST_SIZES)).description('Sizes that use the hours, on demand.'),
      eligibleKinds: listOf(id, MOST_KINDS),
      gibPerMonth: room,
      hoursPerMonth: count(1_000_000),
      until: need(date),
    }),
    50,
  ).description('Pools shared by all machines of the account, used in time order until a date.'),
  quotas,
  replacedSizes: byKey(id, id, MOST_SIZES).description(
    'Sizes that are no longer sold, and what took the place of each.',
  ),
})
