import type { DecisionRules } from './decisionRules.ts'

export const TERMS_DECISION: DecisionRules<{ readonly terms: string }> = {
  choices: ({ index }) => index.book.terms.map(({ id }) => ({ terms: id })),
  present: ({ machine: { terms } }) => ({ terms }),
  apply: (machine, { terms }) => ({ ...machine, terms }),
  resolve: ({ index }, { terms }) => ({ terms: index.terms.get(terms)! }),
  key: ({ terms }) => terms,
}
