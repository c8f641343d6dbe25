import type { FileIssue } from './fileIssue.ts'

/** So many problems of one kind are listed one by one; more are one group. */
const MOST_ALIKE = 20
const PLACES_SHOWN = 5

export interface IssueGroup {
  readonly first: FileIssue
  readonly count: number
  /** The first places. */
  readonly places: readonly string[]
}

/** The same kind: alike but for which entry of a list it is in, and what was found there. */
const kindOf = ({ code, pointer, problem, expected }: FileIssue): string =>
  [
    code,
    pointer.replace(/\/\d+(?=\/|$)/g, '/*'),
    problem.replace(/“[^”]*”|"[^"]*"|\d+/g, '*'),
    expected,
  ].join('\n')

/** Problems in order; those of a kind that has more than twenty as one group, where its first one stands. */
export function issueGroups(issues: readonly FileIssue[]): IssueGroup[] {
  const byKind = new Map<string, FileIssue[]>()
  for (const issue of issues) {
    const kind = kindOf(issue)
    byKind.set(kind, [...(byKind.get(kind) ?? []), issue])
  }
  return [...byKind.values()].flatMap((alike): IssueGroup[] =>
    alike.length > MOST_ALIKE
      ? [
          {
            first: alike[0]!,
            count: alike.length,
            places: alike.slice(0, PLACES_SHOWN).map(({ pointer }) => pointer),
          },
        ]
      : alike.map((first) => ({ first, count: 1, places: [first.pointer] })),
  )
}
