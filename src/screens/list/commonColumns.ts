import type { PlatesInputs } from '../../core/notches/plate.ts'
import { averagePerHour } from '../../core/meter/estimateMachine.ts'
import { choiceWords, notchDifference } from '../../wording/choice'
import { currencySymbol, formatAmount, HOURLY_PLACES } from '../../wording/money'
import type { ShownColumn } from './listColumns.ts'

/** What every list has: the choice's name, the month with it, the difference, and the average hour. */
export function commonColumns(inputs: PlatesInputs, currency: string): ShownColumn[] {
  const { resolved, month } = inputs
  const symbol = currencySymbol(currency)
  return [
    {
      id: 'name',
      head: 'Choice',
      kind: 'text',
      width: 190,
      valueOf: (notch) => choiceWords(notch, resolved).name,
      textOf: (notch) => choiceWords(notch, resolved).name,
    },
    {
      id: 'month',
      head: `${symbol} a month`,
      kind: 'money',
      width: 84,
      valueOf: ({ total }) => total,
      textOf: ({ total }) => (total ? formatAmount(total) : ''),
    },
    {
      id: 'difference',
      head: 'difference',
      kind: 'money',
      width: 80,
      valueOf: ({ difference }) => difference,
      textOf: (notch) => (notch.total ? notchDifference(notch) : 'no price'),
    },
    {
      id: 'hour',
      head: `${symbol} an hour`,
      kind: 'money',
      width: 78,
      valueOf: ({ total }) => total && averagePerHour(total, month),
      textOf: ({ total }) => (total ? formatAmount(averagePerHour(total, month), HOURLY_PLACES) : ''),
    },
  ]
}

/** What a choice is, in a few words: for lists that have no columns of their own for it. */
export const aboutColumn = ({ resolved }: PlatesInputs): ShownColumn => ({
  id: 'about',
  head: 'what it is',
  kind: 'text',
  width: 260,
  valueOf: (notch) => choiceWords(notch, resolved).about,
  textOf: (notch) => choiceWords(notch, resolved).about,
})
