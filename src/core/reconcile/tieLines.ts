import type { BillLine, BillResource } from '../bill/billLine.ts'

/** Which machine a resource belongs to, by its id or its name, as a person said it once; null where it belongs to none. */
export type Ties = ReadonlyMap<string, string | null>

const plain = (text: string): string => text.trim().toLowerCase()

/** The parts of an id that could be a name: whole, its last step, and what stands before its last step. */
const namesIn = (id: string): string[] => {
  const steps = id.split(/[/:]/).filter((step) => step !== '')
  return [id, ...steps]
}

/**
 * The machine of each line, by what a person said, by the resource’s name, by its id, or by a tag that names it. Names
 * are compared without regard to case. Two machines that fit leave it untied.
 */
export function tieLines(
  lines: readonly BillLine[],
  machines: readonly string[],
  resources: readonly BillResource[] = [],
  ties: Ties = new Map(),
): (string | undefined)[] {
  const byName = new Map(machines.map((name) => [plain(name), name]))
  const tags = new Map(resources.map(({ id, tags: own }) => [id, own]))
  const known = new Map<string, string | undefined>()
  const find = (line: BillLine): string | undefined => {
    const said = ties.get(line.resourceId) ?? ties.get(line.resourceName)
    if (said !== undefined) return said ?? undefined
    const named = byName.get(plain(line.resourceName))
    if (named !== undefined) return named
    const found = new Set(
      [...namesIn(line.resourceId), ...(tags.get(line.resourceId)?.values() ?? [])].flatMap(
        (text) => byName.get(plain(text)) ?? [],
      ),
    )
    return found.size === 1 ? [...found][0] : undefined
  }
  return lines.map((line) => {
    const key = `${line.resourceId}\n${line.resourceName}`
    if (!known.has(key)) known.set(key, find(line))
    return known.get(key)
  })
}
