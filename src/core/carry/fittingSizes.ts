import type { BookIndex } from '../catalogue/bookIndex.ts'
import type { Image, Size } from '../catalogue/priceBook.ts'
import { fitsAnywhere } from '../fit/fitReasons.ts'
import { chosenSize, proposedChoice } from '../machine/chosenSize.ts'
import type { Held } from '../machine/held.ts'
import type { Machine } from '../machine/plan.ts'

/** A size that has all that a machine needs, wherever it is sold. */
export interface FittingSize {
  /** With the vCPU and memory below, where it leaves them to choose. */
  readonly size: Size
  readonly chosen: Machine['chosen']
}

/** What a size is compared by when one stands in for another. */
export type SizeShape = Pick<Size, 'vcpu' | 'memoryGiB' | 'architecture'>

/**
 * Sizes of free choice come with what the machine chose, or with the least that is needed; with what `like` has where
 * nothing is asked for. O(sizes).
 */
export function fittingSizes(
  machine: Machine,
  image: Image,
  { book, diskKinds }: BookIndex,
  like: SizeShape | undefined,
  held?: Held,
): FittingSize[] {
  const dataKinds = machine.dataDisks.map(({ kind }) => diskKinds.get(kind) ?? book.diskKinds[0]!)
  return book.sizes.flatMap((size) => {
    const chosen = machine.chosen ?? proposedChoice(size, machine.needs, like)
    const shaped = chosenSize(size, chosen)
    const subject = { size: shaped, machine: withChosen(machine, chosen), image, dataKinds, held }
    return fitsAnywhere(subject) ? [{ size: shaped, chosen }] : []
  })
}

export const withChosen = (machine: Machine, chosen: Machine['chosen']): Machine =>
  chosen ? { ...machine, chosen } : machine
