import type { GLOSSARY } from './glossary'

interface ViewHelp {
  readonly keys: readonly (readonly [keys: string, does: string])[]
  readonly words: readonly (keyof typeof GLOSSARY)[]
}

export const KEYS_EVERYWHERE: ViewHelp['keys'] = [
  ['Ctrl Z, Ctrl Y', 'undo, redo'],
  ['Ctrl K', 'all actions by name'],
  ['?', 'this help'],
  ['Tab, Shift Tab', 'the next thing, the one before'],
]

/** Keys and words of views by their id; those without an entry have the keys of everywhere. */
export const VIEW_HELP: ReadonlyMap<string, ViewHelp> = new Map<string, ViewHelp>([
  [
    'bench',
    {
      keys: [
        ['Space', 'select a machine, for changes to many'],
        ['← →, Home, End', 'on the curve of the credit: fewer or more changes'],
      ],
      words: ['kept', 'asked for', 'leak', 'saved', 'notch', 'always on'],
    },
  ],
  [
    'market',
    {
      keys: [
        ['← →', 'on the edge: to the next cheaper or better offer'],
        ['Home, End', 'on the edge: to the cheapest, to the best'],
      ],
      words: ['offer', 'edge', 'assumed', 'pinned'],
    },
  ],
  ['mix', { keys: [], words: ['mix', 'offer', 'pinned'] }],
  [
    'gauge',
    {
      keys: [
        ['← →', 'take the next cheaper or dearer choice that fits'],
        ['Home', 'take the cheapest that fits'],
        ['↑ ↓', 'the plate above or below'],
        ['Shift ← →', 'look at the slots beside, and take nothing'],
        ['↑ ↓, Enter, Escape', 'in a slot: go through its choices, take one, leave'],
        ['Enter', 'all choices of a plate as a list'],
      ],
      words: ['plate', 'slot', 'notch', 'line', 'closed', 'settled', 'pinned', 'leak'],
    },
  ],
  [
    'week',
    {
      keys: [
        ['Arrows', 'go over the hours of the week'],
        ['Shift and arrows', 'mark several hours'],
        ['Enter or 1', 'switch them on'],
        ['Delete or 0', 'switch them off'],
      ],
      words: ['week', 'when off', 'leak'],
    },
  ],
  [
    'ledger',
    {
      keys: [
        ['↑ ↓', 'the next charge, the one before'],
        ['Enter', 'open a charge, or fold a group'],
      ],
      words: ['kept', 'asked for', 'leak'],
    },
  ],
  [
    'prices',
    {
      keys: [
        ['Tab, Enter, arrows', 'go from cell to cell'],
        ['Ctrl C, Ctrl V', 'copy and paste a block of cells'],
      ],
      words: ['price book', 'recipe', 'assumed'],
    },
  ],
])
