import { sign } from '../../core/quantity/exact.ts'
import { notchDifference, type ChoiceWords } from '../../wording/choice'
import { formatMoney } from '../../wording/money'
import { cheapestNotch, isOpen, type Notch, type Plate } from '../../core/notches/plate.ts'

type Words = (notch: Notch) => ChoiceWords

/** The nearest fitting choice that costs less or more; choices at the same price are passed over. */
export function nearest(plate: Plate, direction: -1 | 1): Notch | undefined {
  for (let i = plate.present + direction; i >= 0 && i < plate.notches.length; i += direction) {
    const notch = plate.notches[i]!
    if (notch.difference && sign(notch.difference) === direction && isOpen(notch)) return notch
  }
  return undefined
}

/** What a screen reader says of a plate: sentences. */
export function spokenValue(plate: Plate, words: Words, currency: string): string {
  const present = plate.notches[plate.present]
  if (!present) return 'unknown'
  const cost = present.total ? `, ${formatMoney(present.total, currency)} a month` : ''
  const side = (label: string, notch: Notch | undefined): string =>
    notch
      ? ` ${label}: ${words(notch).name}, ${notchDifference(notch)}.`
      : ` Nothing ${label.toLowerCase()} fits.`
  const closed = plate.notches.filter(({ reasons }) => reasons.length > 0).length
  const shut = closed > 0 ? ` ${closed} of ${plate.notches.length} choices are closed.` : ''
  return `${words(present).name}${cost}.${side('Cheaper', nearest(plate, -1))}${side('Dearer', nearest(plate, 1))}${shut}`
}

/** Why a plate shows no more than its value. */
export function foldText(plate: Plate, words: Words): string {
  const others = plate.notches.length - 1
  switch (plate.fold) {
    case 'pinned':
      return 'pinned: kept as it is'
    case 'only-choice':
      return 'nothing to choose'
    case 'nothing-else-fits':
      return others === 1 ? 'the other choice does not fit' : `none of the other ${others} fits by itself`
    case 'same-cost':
      return 'costs the same, whatever is chosen'
    case 'only-adds': {
      const least = nearest(plate, 1)
      return least ? `from ${notchDifference(least)} a month` : 'none fits'
    }
    case undefined: {
      const cheapest = cheapestNotch(plate)
      if (cheapest) return `${words(cheapest).name} ${notchDifference(cheapest)}`
      const next = nearest(plate, 1)
      return next ? `next: ${words(next).name} ${notchDifference(next)}` : 'nothing else fits'
    }
  }
}
