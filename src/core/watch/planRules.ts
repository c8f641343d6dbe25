import type { BookIndex } from '../catalogue/bookIndex.ts'
import { chosenSize } from '../machine/chosenSize.ts'
import { factsToCheck } from '../fit/factsToCheck.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import type { Machine } from '../machine/plan.ts'
import { carryOver } from '../carry/carryOver.ts'
import { keptFor } from '../keptFor.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import { keptDecisions } from '../decisions/keptDecisions.ts'
import { subtract } from '../quantity/exact.ts'
import { SECONDS_PER_HOUR } from '../quantity/units.ts'
import type { Finding, Mend, WatchInputs, WatchRule } from './finding.ts'

/** What the machine may not be as it is; the nearest that fits mends all of it at once. */
const doesNotFit: WatchRule = (inputs) => {
  const reasons = fitReasons(inputs.resolved)
  if (reasons.length === 0) return []
  const mend = nearestMend(inputs)
  return reasons.map((reason) => ({
    key: `does-not-fit/${reason.code}`,
    severity: 'problem',
    facts: { code: 'does-not-fit', reason },
    mend,
  }))
}

/** What it rests on and the price book does not say. */
const toCheck: WatchRule = ({ resolved }) =>
  factsToCheck(resolved).map((fact, i, all) => ({
    key: `to-check/${fact.code}${all.findIndex(({ code }) => code === fact.code) === i ? '' : `/${i}`}`,
    severity: 'note',
    facts: { code: 'to-check', fact },
  }))

function nearestMend({ resolved, plan, month, shared, estimate }: WatchInputs): Mend | undefined {
  const { machine, size, index } = resolved
  const moved = carryOver(machine, plan, index, { like: size, kept: keptDecisions(machine) })
  const total = moved && machineTotal(moved.resolved, month, shared)
  return moved && { machine: moved.machine, difference: total && subtract(total, estimate.total) }
}

/** Fields that tell one machine from its copy in another zone; each machine of a plan is held against all others. */
const copyOf = keptFor(({ name, zone, variants, accepted, pinned, ...rest }: Machine) => ({
  text: JSON.stringify(rest),
}))

/** Machines that are the same but for their zones, by what they have in common; once for all machines of a plan. */
const copiesIn = keptFor((machines: readonly Machine[]) => {
  const copies = new Map<string, Machine[]>()
  for (const machine of machines) {
    const { text } = copyOf(machine)
    copies.set(text, [...(copies.get(text) ?? []), machine])
  }
  return copies
})

/** The same machine bought once for each zone that was ticked. */
const sameInSeveralZones: WatchRule = ({ resolved: { machine }, machines, estimate }) => {
  const copies = (copiesIn(machines).get(copyOf(machine).text) ?? []).filter(
    (other) => other.name !== machine.name && other.zone !== machine.zone,
  )
  // Machines of one group are bought for each zone on purpose.
  if (copies.length === 0 || machine.needs.apart) return []
  return [
    {
      key: 'same-in-several-zones',
      severity: 'warning',
      facts: { code: 'same-in-several-zones', machines: copies.map(({ name }) => name) },
      stake: estimate.total,
    },
  ]
}

/** What the machines of a plan use of their accounts, by the index of the provider's book. */
const usedIn = keptFor<readonly Machine[], Map<BookIndex, AccountUsed>>(() => new Map())

interface AccountUsed {
  readonly vcpu: number
  readonly machines: number
  readonly fixedAddresses: number
}

function usedOf(machines: readonly Machine[], index: BookIndex): AccountUsed {
  const known = usedIn(machines)
  let used = known.get(index)
  if (used) return used
  const own = machines.filter(({ provider }) => provider === index.book.provider.id)
  used = {
    vcpu: own.reduce((sum, { size, chosen }) => {
      const found = index.sizes.get(size)
      return sum + (found ? chosenSize(found, chosen).vcpu : 0)
    }, 0),
    machines: own.length,
    fixedAddresses: own.filter(({ address }) => address === 'fixed').length,
  }
  known.set(index, used)
  return used
}

/** More than the provider lets one account have. */
const overQuota: WatchRule = ({ resolved: { index }, machines }) => {
  const { provider, quotas } = index.book
  if (!quotas) return []
  const used = usedOf(machines, index)
  return (['vcpu', 'machines', 'fixedAddresses'] as const).flatMap((what): Finding[] => {
    const most = quotas[what]
    if (most === undefined || used[what] <= most) return []
    const facts = { code: 'over-quota', what, used: used[what], most, provider: provider.name } as const
    return [{ key: `over-quota/${what.toLowerCase()}`, severity: 'problem', facts }]
  })
}

/** On for longer than this at a stretch, a shared core runs on what it earned while idle. */
const LONG_RUN = 4 * SECONDS_PER_HOUR

/** Cores that are shared earn their speed while idle, and start anew after each stop. */
const sharedCore: WatchRule = ({ resolved: { size }, estimate }) => {
  const perStart = estimate.onTime / Math.max(1, estimate.starts)
  return size.sharedCore && perStart > LONG_RUN
    ? [
        {
          key: 'shared-core',
          severity: 'note',
          facts: { code: 'shared-core', size: size.name, starts: estimate.starts },
        },
      ]
    : []
}

export const PLAN_RULES: readonly WatchRule[] = [
  doesNotFit,
  toCheck,
  sameInSeveralZones,
  overQuota,
  sharedCore,
]

/** Of these it is known what the other machines of the plan are; the answers of all others stand while those change. */
export const RULES_OF_OTHERS: ReadonlySet<WatchRule> = new Set([sameInSeveralZones, overQuota])
