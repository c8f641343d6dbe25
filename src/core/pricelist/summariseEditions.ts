import type { PriceBook } from '../catalogue/priceBook.ts'
import { compareEditions, type EditionChanges, type PriceChange } from './compareEditions.ts'

/** By what changes are counted together. */
export const CHANGE_FOLDS = ['size', 'place', 'kind', 'terms'] as const
export type ChangeFold = (typeof CHANGE_FOLDS)[number]

export const CHANGE_SORTS = ['dearer', 'cheaper', 'added', 'gone'] as const
type ChangeSort = (typeof CHANGE_SORTS)[number]

type ChangeCounts = { readonly [Sort in ChangeSort]: number }

interface ChangeGroup extends ChangeCounts {
  /** A size or kind of disk, a place, what it is the price of, or terms. */
  readonly name: string
}

/** Prices whose change lies between two shares: -0.1 is a tenth cheaper. The outermost have no end. */
export interface ChangeBin {
  readonly from: number
  readonly to: number
  readonly prices: number
}

export interface EditionSummary extends ChangeCounts {
  readonly same: number
  /** Only prices that changed. */
  readonly bins: readonly ChangeBin[]
  readonly groups: { readonly [Fold in ChangeFold]: readonly ChangeGroup[] }
  /** The first of each sort, those that changed most. */
  readonly first: { readonly [Sort in ChangeSort]: readonly PriceChange[] }
}

const EDGES = [-0.5, -0.3, -0.2, -0.1, -0.05, 0, 0.05, 0.1, 0.2, 0.3, 0.5] as const
const MOST_GROUPS = 200
const MOST_FIRST = 200

/** What changed between two editions, counted. O(prices). */
export function summariseEditions(before: PriceBook, after: PriceBook): EditionSummary {
  const changes = compareEditions(before, after)
  const names = namesOf(before, after)
  return {
    ...countsOf(changes),
    same: changes.same,
    bins: binsOf(changes),
    groups: {
      size: groupsOf(changes, ({ of, id }) =>
        of === 'size' || of === 'disk' ? (names.get(id) ?? id) : undefined,
      ),
      place: groupsOf(changes, ({ region }) => (region === '' ? undefined : (names.get(region) ?? region))),
      kind: groupsOf(changes, ({ of, id }) => (of === 'other' ? id : of)),
      terms: groupsOf(changes, ({ of, terms }) =>
        of === 'size' ? (terms === undefined ? 'On demand' : (names.get(terms) ?? terms)) : undefined,
      ),
    },
    first: {
      dearer: changes.dearer.slice(0, MOST_FIRST),
      cheaper: changes.cheaper.slice(0, MOST_FIRST),
      added: changes.added.slice(0, MOST_FIRST),
      gone: changes.gone.slice(0, MOST_FIRST),
    },
  }
}

const countsOf = ({ dearer, cheaper, added, gone }: EditionChanges): ChangeCounts => ({
  dearer: dearer.length,
  cheaper: cheaper.length,
  added: added.length,
  gone: gone.length,
})

/** What ids are called, the newer names first. */
const namesOf = (before: PriceBook, after: PriceBook): ReadonlyMap<string, string> =>
  new Map(
    [before, after].flatMap(({ sizes, diskKinds, regions, terms }) =>
      [...sizes, ...diskKinds, ...regions, ...terms].map(({ id, name }) => [id, name] as const),
    ),
  )

function groupsOf(
  changes: EditionChanges,
  nameOf: (change: PriceChange) => string | undefined,
): ChangeGroup[] {
  const groups = new Map<string, { -readonly [Sort in ChangeSort]: number }>()
  for (const sort of CHANGE_SORTS) {
    for (const change of changes[sort]) {
      const name = nameOf(change)
      if (name === undefined) continue
      const group = groups.get(name) ?? { dearer: 0, cheaper: 0, added: 0, gone: 0 }
      group[sort] += 1
      groups.set(name, group)
    }
  }
  const total = (group: ChangeCounts): number => CHANGE_SORTS.reduce((sum, sort) => sum + group[sort], 0)
  return [...groups]
    .map(([name, counts]) => ({ name, ...counts }))
    .sort((a, b) => total(b) - total(a) || (a.name < b.name ? -1 : 1))
    .slice(0, MOST_GROUPS)
}

function binsOf({ dearer, cheaper }: EditionChanges): ChangeBin[] {
  const edges: readonly number[] = [-Infinity, ...EDGES, Infinity]
  const counts = edges.slice(1).map(() => 0)
  for (const { factor } of [...dearer, ...cheaper]) {
    if (factor === undefined) continue
    const change = factor - 1
    // A change lies above the edge it begins at; one that is cheaper below the edge it ends at.
    const at = edges.findIndex((edge, i) => i > 0 && (change > 0 ? change <= edge : change < edge))
    counts[at - 1]! += 1
  }
  return counts.map((prices, i) => ({ from: edges[i]!, to: edges[i + 1]!, prices }))
}
