import { monthsValid } from '../catalogue/monthsValid.ts'
import { roughHour, sizeRates } from '../catalogue/sizeRates.ts'
import { lifeOf } from '../machine/life.ts'
import { leftBehind } from '../meter/leftBehind.ts'
import { poolUses } from '../meter/sharedAccount.ts'
import { add, toNumber, ZERO } from '../quantity/exact.ts'
import { middleOf } from '../quantity/middleOf.ts'
import { lengthOf, SECONDS_PER_HOUR } from '../quantity/units.ts'
import { applyLeavings } from './applyLeavings.ts'
import type { Finding, WatchRule } from './finding.ts'

const TEN_TIMES = 8
const LEAST_SIBLINGS = 3

/** A rate that is some ten times what its family costs a vCPU: a decimal slip in the price book. */
const rateOutOfLine: WatchRule = ({ resolved }) => {
  const { index, region, size, terms } = resolved
  const perVcpu = (each: typeof size): number | undefined => {
    const rates = sizeRates(region, each.id, terms)
    return rates && toNumber(roughHour(rates, each)) / each.vcpu
  }
  const own = perVcpu(size)
  const others = index.book.sizes
    .filter(({ id, family }) => family === size.family && id !== size.id)
    .flatMap((each) => perVcpu(each) ?? [])
  const median = middleOf(others)
  if (own === undefined || median === undefined || others.length < LEAST_SIBLINGS || median === 0) return []
  const factor = own / median
  if (factor < TEN_TIMES && factor > 1 / TEN_TIMES) return []
  const family = index.book.families.find(({ id }) => id === size.family)?.name ?? size.family
  const perHour = roughHour(sizeRates(region, size.id, terms)!, size)
  const facts = { code: 'rate-out-of-line', size: size.name, family, perHour, factor } as const
  return [{ key: 'rate-out-of-line', severity: 'warning', facts }]
}

/** One free pool, several machines, and it does not last the month. */
const sharedAllowance: WatchRule = ({ resolved, shared, estimate }) => {
  const key = resolved.machine.name
  return (shared ? poolUses(shared) : []).flatMap(({ allowance, of, machines, usedUpAt }): Finding[] => {
    if (usedUpAt === undefined || machines.length < 2 || !machines.includes(key)) return []
    const paid = estimate.charges.filter(
      ({ meter, waived }) => !waived && meter === (of === 'room' ? 'disk' : 'compute'),
    )
    const name = allowance.name ?? allowance.id
    return [
      {
        key:
          of === 'room' && allowance.hoursPerMonth !== undefined
            ? `shared-allowance/${allowance.id}/room`
            : `shared-allowance/${allowance.id}`,
        severity: 'warning',
        facts: { code: 'shared-allowance', allowance: name, machines, usedUpAt },
        stake: paid.reduce((sum, { amount }) => add(sum, amount), ZERO),
      },
    ]
  })
}

/** What would go on being charged once the machine is deleted. */
const leftAfterDelete: WatchRule = ({ resolved, month }) => {
  if (lifeOf(resolved.machine, resolved.week).to < month.to) return []
  const left = leftBehind(resolved, month)
  if (!left) return []
  return [
    {
      key: 'left-after-delete',
      severity: 'note',
      facts: { code: 'left-after-delete', parts: left.parts },
      stake: left.perMonth,
      mend: applyLeavings(resolved),
    },
  ]
}

/** What goes on being charged after its last day, until it is said to be gone. */
const leftBehindNow: WatchRule = ({ resolved, month }) => {
  const { machine, week } = resolved
  if (machine.lastDay === undefined || lifeOf(machine, week).to >= month.to) return []
  const left = leftBehind(resolved, month)
  if (!left) return []
  return [
    {
      key: 'left-behind',
      severity: 'warning',
      facts: { code: 'left-behind', since: machine.lastDay, parts: left.parts },
      stake: left.perMonth,
    },
  ]
}

/** Amounts that cannot be set side by side, or only look as if they could. */
const comparedAcross: WatchRule = ({ resolved, month, elsewhere = [] }) => {
  const found: Finding[] = []
  const missing = new Map(
    elsewhere.flatMap(({ exchange }) =>
      exchange.kind === 'missing' ? [[exchange.from, exchange.to] as const] : [],
    ),
  )
  for (const [from, to] of missing) {
    const facts = { code: 'currency-without-rate', from, to } as const
    found.push({ key: `currency-without-rate/${from.toLowerCase()}`, severity: 'note', facts })
  }
  if (month.reading === '730-hours') {
    const facts = { code: 'printed-month', hours: lengthOf(month) / SECONDS_PER_HOUR } as const
    found.push({ key: 'printed-month', severity: 'note', facts })
  }
  const { cores, vcpu, name } = resolved.size
  if (cores !== undefined && cores !== vcpu) {
    found.push({
      key: 'sold-by-cores',
      severity: 'note',
      facts: { code: 'sold-by-cores', size: name, cores, vcpu },
    })
  }
  return found
}

/** Prices change about once a year. */
const OLD_AFTER_MONTHS = 12

/** The book has been valid for more than a year when the month begins: there may be a newer edition. */
const oldPrices: WatchRule = ({ resolved: { index }, month }) => {
  const { provider, edition, valid } = index.book
  const months = monthsValid(valid.from, month.from)
  if (months <= OLD_AFTER_MONTHS) return []
  const facts = { code: 'old-prices', provider: provider.name, edition, since: valid.from, months } as const
  return [{ key: 'old-prices', severity: 'note', facts }]
}

export const PRICE_RULES: readonly WatchRule[] = [
  rateOutOfLine,
  sharedAllowance,
  leftAfterDelete,
  leftBehindNow,
  comparedAcross,
  oldPrices,
]
