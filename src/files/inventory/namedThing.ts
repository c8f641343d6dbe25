interface Named {
  readonly id: string
  readonly name: string
}

const plain = (text: string): string => text.trim().toLowerCase()

const memo = new WeakMap<readonly Named[], ReadonlyMap<string, Named>>()

/**
 * The first of a list with this id or name, whatever the case. The list is gone through once and must not change:
 * O(list) for the first question, O(1) for others.
 */
export function namedThing<T extends Named>(all: readonly T[], text: string): T | undefined {
  let byName = memo.get(all)
  if (!byName) memo.set(all, (byName = indexNames(all)))
  return byName.get(plain(text)) as T | undefined
}

function indexNames(all: readonly Named[]): ReadonlyMap<string, Named> {
  const byName = new Map<string, Named>()
  for (const each of all) {
    for (const name of [plain(each.id), plain(each.name)]) if (!byName.has(name)) byName.set(name, each)
  }
  return byName
}
