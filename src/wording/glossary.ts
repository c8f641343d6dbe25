import { PART_MEANINGS } from './monthPart'
import { NOTCH_MEANING } from './notch'

/** Words that are Notchgauge’s own, or that it uses in one sense only. docs/glossary.md says the same. */
export const GLOSSARY = {
  plate: 'A decision about a machine, such as its size or its place, drawn as a strip on the axis of cost.',
  slot: 'A choice on a plate; several that stand too close to tell apart share one, with their number.',
  notch: NOTCH_MEANING,
  line: 'Where all present choices stand: the machine’s month as it is.',
  closed:
    'A choice that does not fit what the machine must have, or is not sold there. The band at a plate’s foot.',
  settled: 'A decision with nothing cheaper to choose.',
  kept: PART_MEANINGS.kept,
  'asked for': PART_MEANINGS.asked,
  leak: PART_MEANINGS.leak,
  saved: PART_MEANINGS.saved,
  'always on': 'Never switched off: a machine that is needed all day, or that nobody turns off.',
  week: 'When machines are needed, on the wall clock of a place, with dates that differ.',
  'when off':
    'What a machine is between its hours: stopped, deallocated, hibernated, deleted, or running on.',
  'price book': 'One provider’s prices and rules of charging, valid from a date.',
  recipe: 'How a provider’s price lists become its price book.',
  assumed: 'An answer that nobody has confirmed; what it would cost if it were another one can be opened.',
  offer:
    'A size at a place of a provider on some terms, with the cheapest disks and state when off that the needs allow.',
  edge: 'Offers to which no other is both cheaper and better, such as nearer.',
  mix: 'A set of few places at which all machines of a plan could run.',
  pinned: 'A decision that is kept as it is, whatever is searched or proposed.',
} as const satisfies Record<string, string>
