import type { PriceBook, StateRow } from '../catalogue/priceBook.ts'
import { OTHER, type BillingAnswer } from './billingAnswer.ts'

/** Seconds to go off and to come back, which are charged as running. */
const TIMES: ReadonlyMap<string, { readonly leave: number; readonly back: number }> = new Map([
  ['a-minute', { leave: 30, back: 60 }],
  ['at-once', { leave: 0, back: 0 }],
  ['minutes', { leave: 120, back: 300 }],
])

const offRows = ({ states }: PriceBook): StateRow[] =>
  Object.entries(states).flatMap(([state, row]) => (state === 'running' ? [] : [row as StateRow]))

const isPlain = (time: StateRow['leave'], seconds: number): boolean =>
  (time?.seconds ?? 0) === seconds && !time?.secondsPerGiB && !time?.secondsPerRestoredGiB

export const CHANGE_TIMES: BillingAnswer = {
  id: 'change-times',
  choices: () => [...TIMES.keys()],
  valueOf: (book) =>
    [...TIMES].find(([, { leave, back }]) =>
      offRows(book).every((row) => isPlain(row.leave, leave) && isPlain(row.return, back)),
    )?.[0] ?? OTHER,
  apply: (book, value) => {
    const { leave, back } = TIMES.get(value)!
    return {
      ...book,
      states: Object.fromEntries(
        Object.entries(book.states).map(([state, row]) => [
          state,
          state === 'running' ? row : { ...row, leave: { seconds: leave }, return: { seconds: back } },
        ]),
      ) as unknown as PriceBook['states'],
    }
  },
}
