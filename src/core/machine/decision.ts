/** What the rules of fit and the search need to know of a decision about one machine. */
interface DecisionFacts {
  /** The disks that another choice of it changes, and that rules of fit are asked of. */
  readonly disks: 'all' | 'system' | 'data' | 'last' | 'none'
  /** A decision that may not change along with it: a size's steps are of that size. */
  readonly within?: 'size' | 'data-disk'
}

/** In the order in which a machine's plates stand. */
const DECISION_FACTS = {
  size: { disks: 'all' },
  vcpu: { disks: 'all', within: 'size' },
  memory: { disks: 'all', within: 'size' },
  place: { disks: 'all' },
  terms: { disks: 'none' },
  image: { disks: 'none' },
  'disk-kind': { disks: 'system' },
  'disk-room': { disks: 'system' },
  'data-disk': { disks: 'data' },
  'new-disk': { disks: 'last', within: 'data-disk' },
  snapshots: { disks: 'all' },
  address: { disks: 'none' },
  off: { disks: 'none' },
  week: { disks: 'none' },
  traffic: { disks: 'none' },
} as const satisfies { readonly [decision: string]: DecisionFacts }

export type Decision = keyof typeof DECISION_FACTS

export const DECISIONS = Object.keys(DECISION_FACTS) as readonly Decision[]

export const decisionFacts = (decision: Decision): DecisionFacts => DECISION_FACTS[decision]

/** A plate's name within its machine: there is one for each data disk. */
export type PlateId = Exclude<Decision, 'data-disk'> | `data-disk-${number}`

/** Data disks count from 1. */
export const plateId = (decision: Decision, position = 1): PlateId =>
  decision === 'data-disk' ? `data-disk-${position}` : decision

/** What a plate can be called, as a pattern that every reader of JSON Schema knows. */
export const PLATE_PATTERN = `^(${DECISIONS.map((each) => (each === 'data-disk' ? 'data-disk-[1-9][0-9]?' : each)).join('|')})$`

const PLATE = new RegExp(PLATE_PATTERN)

export const isPlateId = (text: string): text is PlateId => PLATE.test(text)
