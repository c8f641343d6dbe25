import { MOST_HOST, type NameRules } from '../../core/machine/accessProblems.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { plainNames } from '../reading/plainNames.ts'

/**
 * What each machine of a plan calls itself, by its name in the plan: as it says, or its name as a label of RFC 1123,
 * never the same for two machines and as short as its image asks for. `rulesOf` knows the image of a machine.
 */
export function hostNames(
  machines: readonly Pick<Machine, 'name' | 'access'>[],
  rulesOf: (name: string) => NameRules,
): Map<string, string> {
  const given = machines.flatMap(({ name, access }) =>
    access?.hostName === undefined ? [] : [[name, access.hostName] as const],
  )
  const named = new Set(given.map(([name]) => name))
  const others = machines
    .filter(({ name }) => !named.has(name))
    .map(({ name }) => ({ name, most: MOST_HOST[rulesOf(name)] }))
  const taken = given.map(([, host]) => host.toLowerCase())
  const hosts = plainNames(
    // Digits alone are no name to some images.
    others.map(({ name, most }) => ({ name: /^\d+$/.test(name) ? `m${name}` : name, most })),
    taken,
  )
  return new Map([...given, ...others.map(({ name }, i) => [name, hosts[i]!] as const)])
}
