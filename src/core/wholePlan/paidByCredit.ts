import type { Credit, Machine } from '../machine/plan.ts'

/** Whether a credit pays for a machine: one that belongs to an account at a provider pays there alone. */
export const paysFor = (credit: Credit | undefined, { provider }: Pick<Machine, 'provider'>): boolean =>
  credit !== undefined && (credit.provider === undefined || credit.provider === provider)

/** The plan with the machines that a credit pays for, and no others. */
export const paidByCredit = <P extends { readonly machines: readonly Machine[] }>(
  plan: P,
  credit: Credit,
): P =>
  credit.provider === undefined
    ? plan
    : { ...plan, machines: plan.machines.filter((machine) => paysFor(credit, machine)) }
