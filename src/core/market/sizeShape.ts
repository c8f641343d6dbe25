import type { BookIndex } from '../catalogue/bookIndex.ts'
import type { Size } from '../catalogue/priceBook.ts'
import type { PowerState } from '../off/powerState.ts'

/**
 * All of a size that its disks, its states when off and its hours depend on: sizes that agree in it have the same disks
 * and the same hours, and differ in what they cost an hour alone. A test holds it to sizes looked at one by one.
 */
export function sizeShape(size: Size, { book }: BookIndex, readsMemory: boolean): string {
  const { diskKinds, localDiskGiB, hibernation, includedTrafficGiB, memoryGiB } = size
  const free = (book.freeAllowances ?? []).flatMap(({ id, eligible }) =>
    eligible.includes(size.id) ? id : [],
  )
  return [
    diskKinds?.join(),
    localDiskGiB,
    hibernation,
    includedTrafficGiB,
    readsMemory ? memoryGiB : '',
    free.join(),
  ].join('|')
}

/** Whether more memory takes longer, more room or more money in one of these states. */
export const readsMemory = (states: readonly PowerState[], { book }: BookIndex): boolean =>
  states.some((state) => {
    const row = book.states[state]
    return (
      state === 'hibernated' ||
      row?.memoryImage === true ||
      (row?.leave?.secondsPerGiB ?? 0) > 0 ||
      (row?.return?.secondsPerGiB ?? 0) > 0
    )
  })
