import { isOpenToAll, letsIn, type InboundRule } from '../../machine/access.ts'
import { accessProblems, nameRulesOf } from '../../machine/accessProblems.ts'
import type { Finding, WatchRule } from '../finding.ts'

/** Remote sign-in: secure shell and remote desktop. */
const SIGN_IN_PORTS = [22, 3389]

/** Sign-in from anywhere in the world. Narrowing it to the machine's own network mends it. */
const portOpen: WatchRule = ({ resolved: { machine } }) => {
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

/** Names that the image would not take, or that are tried first by whoever guesses. */
const names: WatchRule = ({ resolved: { machine, image } }) =>
  accessProblems(machine.access ?? {}, nameRulesOf(image)).map(({ field, problem }) => ({
    key: `name-not-taken/${field.toLowerCase()}`,
    severity: problem.code === 'reserved' ? 'warning' : 'problem',
    facts: { code: 'name-not-taken', field, name: machine.access![field]!, image: image.name, problem },
  }))

const passwordOnly: WatchRule = ({ resolved: { machine } }) =>
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

export const ACCESS_RULES: readonly WatchRule[] = [portOpen, names, passwordOnly]
