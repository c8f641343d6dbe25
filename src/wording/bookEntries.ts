import { ownValue } from '../core/ownValue.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { HourBands, PriceBand, SizeRateTexts } from '../core/catalogue/regionPrices.ts'
import { POWER_STATES } from '../core/off/powerState.ts'
import { STATE_NAMES } from './state'
import { formatNumber } from './number'

/** One line of a price book as a person reads it. */
export type BookEntry =
  | { readonly sort: 'head'; readonly text: string }
  | { readonly sort: 'rule'; readonly label: string; readonly text: string; readonly pointer?: string }
  | {
      readonly sort: 'rate'
      readonly label: string
      /** The decimal as it stands in the book. */
      readonly text: string
      readonly per: string
      readonly pointer: string
    }

/** The whole book, with the prices of one region: rules first, then rates. */
export function bookEntries(book: PriceBook, regionId: string): BookEntry[] {
  return [...ruleEntries(book), ...licenceEntries(book), ...regionEntries(book, regionId)]
}

/** The region in which a pointer stands, if it does in any. */
export const regionOfPointer = (pointer: string | undefined): string | undefined =>
  /^\/prices\/([^/]+)\//.exec(pointer ?? '')?.[1]

const head = (text: string): BookEntry => ({ sort: 'head', text })

const rule = (label: string, text: string, pointer?: string): BookEntry => ({
  sort: 'rule',
  label,
  text,
  ...(pointer !== undefined && { pointer }),
})

function ruleEntries(book: PriceBook): BookEntry[] {
  const { billing, states } = book
  const entries = [
    head('How it charges'),
    rule('Currency', book.currency),
    rule('Valid', `${book.valid.from}${book.valid.until === undefined ? ' on' : ` to ${book.valid.until}`}`),
    rule('Month begins in', book.billingZone),
    rule(
      'Each run',
      `${formatNumber(billing.minimumSeconds)} s at the least, then by ${billing.incrementSeconds === 1 ? 'the second' : `${formatNumber(billing.incrementSeconds)} s`}`,
    ),
  ]
  if (billing.minimumPerMachineMonth !== undefined) {
    entries.push(
      rule(
        'A machine a month',
        `${billing.minimumPerMachineMonth} at the least`,
        '/billing/minimumPerMachineMonth',
      ),
    )
  }
  if (billing.vcpuPerCore !== undefined) {
    entries.push(rule('A physical core', `is ${billing.vcpuPerCore} vCPU`))
  }
  billing.longRunRebate?.forEach(({ upToShare, rateShare }, i) =>
    entries.push(
      rule(
        `Long runs, up to ${percent(upToShare)} of the month`,
        `${percent(rateShare)} of the rate`,
        `/billing/longRunRebate/${i}/rateShare`,
      ),
    ),
  )
  entries.push(head('What is charged in each state'))
  for (const state of POWER_STATES) {
    const row = states[state]
    if (!row) continue
    const charged = [
      row.compute && 'machine time',
      row.licence && 'licences',
      row.disks ? 'disks' : 'disks that stay',
      row.address !== 'none' && `address ${ADDRESS_USE[row.address]}`,
      row.memoryImage && 'memory kept on disk',
    ].filter(Boolean)
    entries.push(rule(STATE_NAMES[state], charged.join(', ')))
  }
  book.freeAllowances?.forEach(({ id, name, hoursPerMonth, gibPerMonth, until }) =>
    entries.push(
      rule(
        name ?? id,
        `${hoursPerMonth === undefined ? `${formatNumber(gibPerMonth ?? 0)} GiB` : `${formatNumber(hoursPerMonth)} h`} a month for the account, until ${until}`,
      ),
    ),
  )
  return entries
}

const ADDRESS_USE = { attachedOn: 'while on', attachedOff: 'while off', unattached: 'unattached' } as const

const percent = (share: string): string => `${Math.round(Number(share) * 10_000) / 100} %`

const licenceEntries = ({ licences }: PriceBook): BookEntry[] =>
  licences.length === 0
    ? []
    : [
        head('Licences'),
        ...licences.map(({ name, perVcpuHour, leastVcpu }, i): BookEntry =>
          perVcpuHour === undefined
            ? rule(name, 'priced with each size')
            : {
                sort: 'rate',
                label: `${name}, for ${leastVcpu} vCPU at the least`,
                text: perVcpuHour,
                per: 'vCPU and hour',
                pointer: `/licences/${i}/perVcpuHour`,
              },
        ),
      ]

const RATE_PER = {
  perSecond: 'second',
  perHour: 'hour',
  perMonth: 'month',
  perVcpuHour: 'vCPU and hour',
  perCoreHour: 'core and hour',
  perGiBHour: 'GiB of memory and hour',
} as const satisfies Record<keyof SizeRateTexts, string>

function bandEntries(
  label: string,
  bands: readonly PriceBand[] | undefined,
  { unit, per, pointer }: { readonly unit: string; readonly per: string; readonly pointer: string },
): BookEntry[] {
  return (bands ?? []).map(({ upTo, price }, i) => ({
    sort: 'rate',
    label: `${label}, ${upTo === undefined ? 'beyond' : `up to ${formatNumber(upTo)} ${unit}`}`,
    text: price,
    per,
    pointer: `${pointer}/${i}/price`,
  }))
}

function sizeRateEntries(label: string, texts: SizeRateTexts & HourBands, pointer: string): BookEntry[] {
  const hours = { unit: 'h of a month', per: 'hour', pointer: `${pointer}/perHourBands` }
  const plain = (Object.keys(RATE_PER) as (keyof SizeRateTexts)[]).flatMap((field): BookEntry[] => {
    const text = texts[field]
    return text === undefined
      ? []
      : [{ sort: 'rate', label, text, per: RATE_PER[field], pointer: `${pointer}/${field}` }]
  })
  return [...plain, ...bandEntries(label, texts.perHourBands, hours)]
}

function regionEntries(book: PriceBook, regionId: string): BookEntry[] {
  const prices = ownValue(book.prices, regionId)
  const region = book.regions.find(({ id }) => id === regionId)
  if (!prices || !region) return []
  const at = `/prices/${regionId}`
  const rate = (label: string, text: string | undefined, per: string, path: string): BookEntry[] =>
    text === undefined ? [] : [{ sort: 'rate', label, text, per, pointer: `${at}/${path}` }]
  const termsNames = new Map(book.terms.map(({ id, name }) => [id, name]))
  const sizes = book.sizes.flatMap(({ id, name }): BookEntry[] => {
    const price = ownValue(prices.sizes, id)
    if (!price) return []
    const zones = price.zones ? `, zones ${price.zones.join(' ')}` : ''
    const offers = Object.entries(price.terms ?? {}).flatMap(([terms, offer]): BookEntry[] => {
      const label = `${name}, ${termsNames.get(terms) ?? terms}${zones}`
      return [
        ...sizeRateEntries(label, offer, `${at}/sizes/${id}/terms/${terms}`),
        ...rate(label, offer.upFront, 'whole term', `sizes/${id}/terms/${terms}/upFront`),
      ]
    })
    return [...sizeRateEntries(`${name}${zones}`, price, `${at}/sizes/${id}`), ...offers]
  })
  const disks = book.diskKinds.flatMap(({ id, name, room }): BookEntry[] => {
    const price = ownValue(prices.disks, id)
    if (!price) return []
    const steps = room.by === 'step' ? room.stepsGiB : []
    return [
      ...steps.flatMap((step) =>
        rate(
          `${name}, ${formatNumber(step)} GiB`,
          ownValue(price.perMonthByStep, String(step)),
          'month',
          `disks/${id}/perMonthByStep/${step}`,
        ),
      ),
      ...rate(name, price.perGiBMonth, 'GiB and month', `disks/${id}/perGiBMonth`),
      ...bandEntries(name, price.perGiBMonthBands, {
        unit: 'GiB',
        per: 'GiB and month',
        pointer: `${at}/disks/${id}/perGiBMonthBands`,
      }),
      ...rate(
        `${name}, IOPS on top`,
        price.perExtraIopsMonth,
        'IOPS and month',
        `disks/${id}/perExtraIopsMonth`,
      ),
      ...rate(
        `${name}, throughput on top`,
        price.perExtraMegabytesPerSecondMonth,
        'MB/s and month',
        `disks/${id}/perExtraMegabytesPerSecondMonth`,
      ),
      ...rate(
        `${name}, operations`,
        price.perTenThousandOperations,
        '10,000 operations',
        `disks/${id}/perTenThousandOperations`,
      ),
    ]
  })
  const addresses = (['fixed', 'changing'] as const).flatMap((sort) =>
    (['attachedOn', 'attachedOff', 'unattached'] as const).flatMap((use) =>
      rate(
        `Address, ${sort}, ${ADDRESS_USE[use]}`,
        prices.addresses[sort]?.[use],
        'hour',
        `addresses/${sort}/${use}`,
      ),
    ),
  )
  const traffic = (prices.trafficOut ?? []).flatMap(({ upToGiB, perGiB }, i) =>
    rate(
      `Traffic out, ${upToGiB === undefined ? 'beyond' : `up to ${formatNumber(upToGiB)} GiB`}`,
      perGiB,
      'GiB',
      `trafficOut/${i}/perGiB`,
    ),
  )
  return [
    head(`Sizes in ${region.name}`),
    ...sizes,
    head(`Disks and snapshots in ${region.name}`),
    ...disks,
    ...rate('Snapshots', prices.snapshotPerGiBMonth, 'GiB and month', 'snapshotPerGiBMonth'),
    ...rate('Restoring from a snapshot', prices.restorePerGiB, 'GiB, each time', 'restorePerGiB'),
    ...rate('Memory kept on disk', prices.memoryImagePerGiBMonth, 'GiB and month', 'memoryImagePerGiBMonth'),
    head(`Addresses and traffic in ${region.name}`),
    ...addresses,
    ...traffic,
  ]
}
