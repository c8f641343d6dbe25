import { keptFor } from '../../core/keptFor.ts'

interface Named {
  readonly id: string
  readonly name: string
}

const plain = (text: string): string => text.trim().toLowerCase()

/**
 * The first of a list with this id or name, whatever the case. The list is gone through once and must not change:
 * O(list) for the first question, O(1) for others.
 */
export const namedThing = <T extends Named>(all: readonly T[], text: string): T | undefined =>
  byNames(all).get(plain(text)) as T | undefined

const byNames = keptFor((all: readonly Named[]): ReadonlyMap<string, Named> => {
  const byName = new Map<string, Named>()
  for (const each of all) {
    for (const name of [plain(each.id), plain(each.name)]) if (!byName.has(name)) byName.set(name, each)
  }
  return byName
})
