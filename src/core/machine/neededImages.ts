import type { BookIndex } from '../catalogue/bookIndex.ts'
import type { Image } from '../catalogue/priceBook.ts'
import { akinImage } from './akinImage.ts'
import { meetsImageNeed } from './imageNeed.ts'
import type { Machine } from './plan.ts'

/**
 * The images of a book with which a machine has what it needs: its own or one akin to it, or each that meets its need,
 * its own first. Of those that are alike in all that prices and fit look at, one.
 */
export function neededImages({ image, needs }: Pick<Machine, 'image' | 'needs'>, index: BookIndex): Image[] {
  const own = akinImage(image, index)
  const need = needs.image
  if (need === undefined) return own ? [own] : []
  const meeting = index.book.images.filter((each) => meetsImageNeed(each, need))
  const ordered = own && meeting.includes(own) ? [own, ...meeting] : meeting
  const alike = new Map<string, Image>()
  for (const each of ordered) {
    const { architectures, least, hibernation, licence, subscription, usedGiB } = each
    const key = JSON.stringify([architectures, least, hibernation, licence, subscription, usedGiB])
    if (!alike.has(key)) alike.set(key, each)
  }
  return [...alike.values()]
}
