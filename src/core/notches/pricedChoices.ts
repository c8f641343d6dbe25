import type { BookIndex } from '../catalogue/bookIndex.ts'
import type { FitReason } from '../fit/fitReason.ts'
import { fitReasons } from '../fit/fitReasons.ts'
import {
  type Choice,
  type MachineDecision,
  choiceKey,
  choicesOf,
  presentChoice,
  resolveChoice,
} from '../decisions/choice.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import { machineTotal } from '../meter/machineTotal.ts'
import type { SharedAccount } from '../meter/sharedAccount.ts'
import { compare, type Exact } from '../quantity/exact.ts'
import type { PlatesInputs } from './plate.ts'

/** A choice with what the month costs with it, whatever is chosen now. */
interface PricedChoice {
  readonly key: string
  readonly choice: Choice
  readonly total: Exact | undefined
  readonly reasons: readonly FitReason[]
}

/** Every choice within the machine's provider, from the cheapest to the dearest. */
export function pricedChoices(inputs: PlatesInputs, asked: MachineDecision): readonly PricedChoice[] {
  return asked.decision === 'size' ? pricedSizes(inputs, asked) : priceChoices(inputs, asked)
}

function priceChoices(
  { resolved, plan, month, shared }: PlatesInputs,
  asked: MachineDecision,
): PricedChoice[] {
  const { decision, position } = asked
  const presentKey = choiceKey(presentChoice(resolved, asked))
  return choicesOf(resolved, asked, plan.weeks)
    .map((choice): PricedChoice => {
      const key = choiceKey(choice)
      const isPresent = key === presentKey
      const changed = isPresent ? resolved : resolveChoice(resolved, choice)
      // Of a further disk, its absence is the present machine.
      const isAsIs = isPresent && decision === 'new-disk'
      const reasons = isAsIs ? NO_REASONS : fitReasons(changed, decision, position)
      return { key, choice, total: machineTotal(changed, month, shared), reasons }
    })
    .sort(byTotal)
}

const NO_REASONS: readonly FitReason[] = []

interface KeptSizes {
  readonly of: readonly unknown[]
  readonly choices: readonly PricedChoice[]
}

/** By the account, or by the book where a machine is priced by itself. */
const kept = new WeakMap<SharedAccount | BookIndex, KeptSizes>()

/**
 * A book has hundreds of sizes, and going from one to another changes nothing about them: they are priced again when
 * anything else about the machine is other than it was.
 */
function pricedSizes(inputs: PlatesInputs, asked: MachineDecision): readonly PricedChoice[] {
  const { resolved, month, shared } = inputs
  const { index } = resolved
  // What is offered of a size of free choice goes by the present size.
  if (index.book.sizes.some(({ choice }) => choice)) return priceChoices(inputs, asked)
  const of = [...allButSize(resolved), month.from, month.to, month.reading]
  const before = kept.get(shared ?? index)
  if (before && alike(before.of, of)) return before.choices
  const choices = priceChoices(inputs, asked)
  kept.set(shared ?? index, { of, choices })
  return choices
}

function allButSize({
  machine,
  region,
  image,
  terms,
  week,
  systemKind,
  dataKinds,
  users,
  apart,
}: ResolvedMachine) {
  const fields = Object.entries(machine)
    .filter(([field]) => field !== 'size')
    .flat()
  return [...fields, region, image, terms, week, systemKind, ...dataKinds, ...users, apart]
}

const alike = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, i) => Object.is(each, b[i]))

export function byTotal(
  a: Pick<PricedChoice, 'key' | 'total'>,
  b: Pick<PricedChoice, 'key' | 'total'>,
): number {
  if (a.total && b.total) return compare(a.total, b.total) || (a.key < b.key ? -1 : 1)
  return a.total ? -1 : b.total ? 1 : a.key < b.key ? -1 : 1
}
