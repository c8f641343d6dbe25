import { billingMonth, type BillingMonth, type MonthReading } from '../calendar/billingMonth.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import { bookFor, type BookIssue } from '../catalogue/bookFor.ts'
import type { BookIndex } from '../catalogue/bookIndex.ts'
import { lackedState } from '../catalogue/statesSold.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { consideredBooks } from '../machine/consideredBooks.ts'
import { exchangeEitherWay, type Exchange } from '../machine/exchange.ts'
import { machineForm } from '../machine/machineForm.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { resolveMachine, type ReferenceIssue, type ResolvedMachine } from '../machine/resolveMachine.ts'
import type { Outcome } from '../outcome.ts'
import { meterMachine } from './meterMachine.ts'
import { estimateMachine, alwaysOnForm, type Estimate, type NotPriced } from './estimateMachine.ts'
import { keptAccount } from './keptAccount.ts'
import { accountUse, freeTicksOf, type AccountUse, type SharedAccount } from './sharedAccount.ts'

export type MachineIssue = BookIssue | ReferenceIssue | NotPriced

export interface PricedMachine {
  readonly ok: true
  readonly resolved: ResolvedMachine
  readonly month: BillingMonth
  readonly estimate: Estimate
  readonly account: PricedAccount
}

export type MachineResult = PricedMachine | { readonly ok: false; readonly issues: readonly MachineIssue[] }

/** What the machines of one provider share, as planned and with none of them switched off. */
export interface PricedAccount {
  readonly planned: SharedAccount
  readonly alwaysOn: SharedAccount
}

/** Another provider that a machine can be moved to, and how its amounts are set against the machine's own. */
export interface PricedProvider {
  readonly index: BookIndex
  readonly month: BillingMonth
  readonly shared: SharedAccount | undefined
  readonly exchange: Exchange
}

export interface PlanPricingInputs {
  readonly plan: Pick<Plan, 'machines' | 'weeks' | 'places' | 'exchangeRates' | 'providers' | 'apartGroups'>
  readonly books: readonly PriceBook[]
  readonly month: YearMonth
  readonly reading: MonthReading
}

/**
 * Prices machines of a plan for one month. What an account's machines share is worked out when its first machine is
 * asked for: O(machines), and O(pieces × log pieces) for those that a free allowance is for.
 */
export class PlanPricing {
  private readonly accounts = new Map<string, PricedAccount>()
  private readonly indexes = new Map<string, ReturnType<typeof bookFor>>()
  private readonly months = new Map<string, BillingMonth>()
  private readonly results = new Map<Machine, MachineResult>()
  /** By form, and by what is free. */
  private readonly estimates = new Map<string, Map<string, Outcome<Estimate, NotPriced>>>()

  private readonly books: readonly PriceBook[]

  constructor(private readonly inputs: PlanPricingInputs) {
    this.books = consideredBooks(inputs.plan, inputs.books)
  }

  /** Each machine is priced once, however often it is asked for. */
  of(machine: Machine): MachineResult {
    let result = this.results.get(machine)
    if (!result) this.results.set(machine, (result = this.price(machine)))
    return result
  }

  private price(machine: Machine): MachineResult {
    const found = this.resolve(machine)
    if (!found.ok) return found
    const resolved = found.value
    const month = this.monthOf(resolved.index)
    const account = this.accountOf(resolved.index)
    const estimate = this.estimateOf(resolved, account)
    if (!estimate.ok) return estimate
    return { ok: true, resolved, month, estimate: estimate.value, account }
  }

  /** Machines that are the same, and have as much free of what they share, have one estimate. */
  private estimateOf(resolved: ResolvedMachine, account: PricedAccount): Outcome<Estimate, NotPriced> {
    const { machine, index } = resolved
    const { planned: shared, alwaysOn: sharedAlwaysOn } = account
    const form = machineForm(machine)
    let known = this.estimates.get(form)
    if (!known) this.estimates.set(form, (known = new Map()))
    const free = `${freeTicksOf(shared, machine.name)},${freeTicksOf(sharedAlwaysOn, machine.name)}`
    let estimate = known.get(free)
    if (!estimate) {
      const month = this.monthOf(index)
      known.set(free, (estimate = estimateMachine({ resolved, month, shared, sharedAlwaysOn })))
    }
    return estimate
  }

  /** The other providers with a book for the month, in the order of their books; currencies are set against `own`. */
  elsewhere({ book: own }: BookIndex): PricedProvider[] {
    const { books } = this
    const { month, plan } = this.inputs
    const others = new Set(books.map(({ provider }) => provider.id))
    others.delete(own.provider.id)
    return [...others].flatMap((provider) => {
      const found = bookFor(provider, books, month)
      if (!found.ok) return []
      const index = found.value
      const exchange = exchangeEitherWay(index.book.currency, own.currency, plan.exchangeRates, month)
      return [{ index, month: this.monthOf(index), shared: this.accountOf(index).planned, exchange }]
    })
  }

  private resolve(machine: Machine): Outcome<ResolvedMachine, MachineIssue> {
    const { plan, month } = this.inputs
    const { provider } = machine
    let index = this.indexes.get(provider)
    if (!index) this.indexes.set(provider, (index = bookFor(provider, this.books, month)))
    return index.ok ? resolveMachine(machine, plan, index.value) : index
  }

  private monthOf({ book }: BookIndex): BillingMonth {
    const { billingZone } = book
    let month = this.months.get(billingZone)
    if (!month) {
      this.months.set(
        billingZone,
        (month = billingMonth(this.inputs.month, billingZone, this.inputs.reading)),
      )
    }
    return month
  }

  private accountOf(index: BookIndex): PricedAccount {
    const { id } = index.book.provider
    let account = this.accounts.get(id)
    if (!account) this.accounts.set(id, (account = this.shareOf(index)))
    return account
  }

  private shareOf(index: BookIndex): PricedAccount {
    const { book } = index
    const month = this.monthOf(index)
    const { machines } = this.inputs.plan
    const orders = new Map(machines.map(({ name }, order) => [name, order]))
    const resolved = machines.flatMap((machine) => {
      if (machine.provider !== book.provider.id || !sharesSomething(machine, book)) return []
      const found = this.resolve(machine)
      return found.ok ? [found.value] : []
    })
    const uses = (members: readonly ResolvedMachine[]): AccountUse[] =>
      members
        .filter(({ machine }) => !lackedState(machine, book))
        .map((member) => accountUse(member, meterMachine(member, month)))
    const running = resolved.map(alwaysOnForm)
    return {
      planned: keptAccount(index, uses(resolved), orders, month),
      alwaysOn: keptAccount(index, uses(running), orders, month),
    }
  }
}

/** Most machines use no allowance and send nothing: they need not be looked at. */
const sharesSomething = (machine: Machine, { freeAllowances }: PriceBook): boolean =>
  machine.trafficOutGiB !== undefined ||
  (freeAllowances?.some(
    ({ eligible, eligibleKinds }) =>
      eligible.includes(machine.size) ||
      [machine.systemDisk, ...machine.dataDisks].some(({ kind }) => eligibleKinds?.includes(kind)),
  ) ??
    false)

/** One machine, priced as part of its plan. */
export const estimateInPlan = (machine: Machine, inputs: PlanPricingInputs): MachineResult =>
  new PlanPricing(inputs).of(machine)
