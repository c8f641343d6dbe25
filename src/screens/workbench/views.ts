/** What navigation, palette, address and tests know of a view. What it shows stands in `frame/viewScreens.ts`. */
interface ViewOptions {
  readonly id: string
  readonly name: string
  /** Of the whole plan, or of the machine that is open. */
  readonly scope: 'plan' | 'machine'
  /** The month of the open machine, line by line, stands beside it. */
  readonly hasMonthBeside?: boolean
  /** What a hand moves there is drawn before all else. */
  readonly movesUnderHand?: boolean
}

/** All views, in the order in which they are offered. */
export const VIEWS = [
  { id: 'bench', name: 'Bench', scope: 'plan' },
  { id: 'prices', name: 'Prices', scope: 'plan' },
  { id: 'mix', name: 'Mix', scope: 'plan' },
  { id: 'hand-off', name: 'Hand-off', scope: 'plan' },
  { id: 'bill', name: 'Bill', scope: 'plan' },
  { id: 'gauge', name: 'Gauge', scope: 'machine', hasMonthBeside: true, movesUnderHand: true },
  { id: 'market', name: 'Market', scope: 'machine' },
  { id: 'week', name: 'Week', scope: 'machine', hasMonthBeside: true },
  { id: 'month', name: 'Month', scope: 'machine', hasMonthBeside: true },
  { id: 'terms', name: 'Terms', scope: 'machine', hasMonthBeside: true },
  { id: 'access', name: 'Access', scope: 'machine', hasMonthBeside: true },
  { id: 'variants', name: 'Side by side', scope: 'machine', hasMonthBeside: true },
  { id: 'ledger', name: 'Ledger', scope: 'machine' },
  { id: 'book', name: 'Book', scope: 'machine' },
] as const satisfies readonly ViewOptions[]

export type View = (typeof VIEWS)[number]['id']

const ofScope = (scope: ViewOptions['scope']) => VIEWS.filter((view) => view.scope === scope)

export const PLAN_VIEWS = ofScope('plan')
export const MACHINE_VIEWS = ofScope('machine')

/** They stand beside each other where there is room: what is on, and what each choice then costs. */
const PAIR: readonly View[] = ['gauge', 'week']

/** What is shown when this view is open. */
export const shownViews = (view: View, hasRoomForTwo: boolean): readonly View[] =>
  hasRoomForTwo && PAIR.includes(view) ? PAIR : [view]

const byId: ReadonlyMap<View, ViewOptions> = new Map(VIEWS.map((view) => [view.id, view]))

export const viewOptions = (view: View): ViewOptions => byId.get(view)!
