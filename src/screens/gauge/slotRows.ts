import { resolvedWith } from '../../core/notches/choiceFigures.ts'
import { figureDifferences } from '../../core/notches/figureDifferences.ts'
import { isOpen, type Notch, type PlatesInputs } from '../../core/notches/plate.ts'
import { choiceWords, notchDifference } from '../../wording/choice'
import { differencesText } from '../../wording/figureDifference'
import { changeCount } from '../../wording/forcedChange'
import { hourlyDifference } from '../../wording/money'
import { reasonsText } from '../../wording/reason'

/** One choice of a slot as a person weighs it. */
export interface SlotRow {
  readonly notch: Notch
  readonly name: string
  /** What it gives up or gives more, or why it is closed. */
  readonly note: string
  /** A month, and on the average hour of it; empty where it has no price. */
  readonly difference: string
  readonly hourly: string
  readonly isClosed: boolean
}

/** More than these are a list. */
const MOST_SLOT_ROWS = 8

/** The choices of a slot, those that can be taken first, then those that bring other changes, then closed ones. */
export function slotRows(notches: readonly Notch[], inputs: PlatesInputs): SlotRow[] {
  const rank = (notch: Notch): number => (isOpen(notch) ? 0 : notch.reasons.length === 0 ? 1 : 2)
  return [...notches]
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, MOST_SLOT_ROWS)
    .map((notch) => rowOf(notch, inputs))
}

function rowOf(notch: Notch, inputs: PlatesInputs): SlotRow {
  const { resolved, month } = inputs
  const { name } = choiceWords(notch, resolved)
  const { difference, reasons } = notch
  const isClosed = reasons.length > 0
  return {
    notch,
    name,
    note: isClosed ? `closed: ${reasonsText(reasons)}` : openNote(notch, inputs),
    difference: notch.isPresent ? 'now' : notchDifference(notch),
    hourly: difference && !notch.isPresent ? `${hourlyDifference(difference, month)}/h` : '',
    isClosed,
  }
}

/** Differences in figures, other changes that it brings, or what the choice is. */
function openNote(notch: Notch, inputs: PlatesInputs): string {
  const { resolved, month } = inputs
  if (notch.isPresent) return choiceWords(notch, resolved).about
  const { decision } = notch.choice
  const figures = differencesText(figureDifferences(resolved, resolvedWith(inputs, notch), month))
  const changes = notch.carried?.changes.length ?? 0
  const brought = changes > 0 ? `with ${changeCount(changes)}` : ''
  const about = choiceWords(notch, resolved).about
  const said = FIGURES_SAY.has(decision)
    ? figures || 'else the same'
    : [about, figures].filter(Boolean).join(', ')
  return [said, brought].filter(Boolean).join('; ')
}

/** Of these decisions the figures say all. */
const FIGURES_SAY: ReadonlySet<string> = new Set(['size', 'vcpu', 'memory', 'disk-kind', 'disk-room', 'week'])

/** The same as a screen reader has it. */
export const slotSentence = (rows: readonly SlotRow[], count: number): string => {
  const said = rows.map(
    ({ name, note, difference, isClosed }) =>
      `${name}, ${note}${difference ? `, ${isClosed ? `would be ${difference}` : difference}` : ''}`,
  )
  const more = count > rows.length ? `; and ${count - rows.length} more` : ''
  return `${said.join('; ')}${more}.`
}
