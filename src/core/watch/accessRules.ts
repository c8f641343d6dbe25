import { isOpenToAll, letsIn, letsPublicIn, type InboundRule } from '../machine/access.ts'
import { accessProblems, administratorProblem, isGuessable, nameRulesOf } from '../machine/accessProblems.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import type { Finding, WatchInputs } from './finding.ts'

/** Rules about access ask for nothing but the machine. */
type AccessRule = (inputs: Pick<WatchInputs, 'resolved'>) => readonly Finding[]

/** Remote sign-in: secure shell and remote desktop. */
const SIGN_IN_PORTS = [22, 3389]

/** Sign-in from anywhere in the world. Narrowing it to the machine's own network mends it. */
const portOpen: AccessRule = ({ resolved: { machine } }) => {
  const inbound = machine.access?.inbound ?? []
  return SIGN_IN_PORTS.flatMap((port): Finding[] => {
    const isOpen = (rule: InboundRule): boolean => isOpenToAll(rule) && letsIn(rule, port)
    if (!inbound.some(isOpen)) return []
    const narrowed = inbound.flatMap((rule) => (isOpen(rule) ? narrow(rule, port) : [rule]))
    return [
      {
        key: `port-open/${port}`,
        severity: 'problem',
        facts: { code: 'port-open', port },
        mend: { machine: { ...machine, access: { ...machine.access, inbound: narrowed } } },
      },
    ]
  })
}

/** The port for the own network alone; what else the rule let in stays as it was. */
function narrow(rule: InboundRule, port: number): InboundRule[] {
  const { first, last } = rule.ports!
  const rest: InboundRule[] = []
  if (first < port) rest.push({ ...rule, ports: { first, last: port - 1 } })
  if (last > port) rest.push({ ...rule, ports: { first: port + 1, last } })
  return [{ ...rule, ports: { first: port, last: port }, from: 'own-network' }, ...rest]
}

/** Names that the image would not take. */
const names: AccessRule = ({ resolved: { machine, image } }) =>
  accessProblems(machine.access ?? {}, nameRulesOf(image)).map(({ field, problem }) => ({
    key: `name-not-taken/${field.toLowerCase()}`,
    severity: 'problem',
    facts: { code: 'name-not-taken', field, name: machine.access![field]!, image: image.name, problem },
  }))

/** A name that will do, and that whoever guesses tries first. */
const guessable: AccessRule = ({ resolved: { machine, image } }) => {
  const { administrator } = machine.access ?? {}
  if (administrator === undefined || !isGuessable(administrator)) return []
  if (administratorProblem(administrator, nameRulesOf(image))) return []
  return [
    { key: 'name-guessable', severity: 'warning', facts: { code: 'name-guessable', name: administrator } },
  ]
}

/** Rules that let public ranges in to a machine without a public address: they let in nobody, or it is forgotten. */
const withoutAddress: AccessRule = ({ resolved: { machine } }) => {
  if (machine.address !== 'none') return []
  const rules = (machine.access?.inbound ?? []).flatMap((rule, i) => (letsPublicIn(rule) ? [i + 1] : []))
  return rules.length === 0
    ? []
    : [
        {
          key: 'rule-without-address',
          severity: 'note',
          facts: { code: 'rule-without-address', rules },
        },
      ]
}

const passwordOnly: AccessRule = ({ resolved: { machine } }) =>
  machine.access?.signIn === 'password'
    ? [
        {
          key: 'password-only',
          severity: 'warning',
          facts: { code: 'password-only' },
          mend: { machine: { ...machine, access: { ...machine.access, signIn: 'key' } } },
        },
      ]
    : []

export const ACCESS_RULES: readonly AccessRule[] = [portOpen, names, guessable, withoutAddress, passwordOnly]

/** What the watch list finds in a machine's access, without what is accepted. */
export function accessFindings(resolved: ResolvedMachine): Finding[] {
  const accepted = new Set(resolved.machine.accepted?.map(({ finding }) => finding))
  return ACCESS_RULES.flatMap((rule) => rule({ resolved })).filter(({ key }) => !accepted.has(key))
}
