import type { BookIndex } from '../catalogue/bookIndex.ts'
import type { Image } from '../catalogue/priceBook.ts'

/** The image itself, or one that is the same by another name's beginning: an edition of it. */
export function akinImage(id: string, { images, book }: BookIndex): Image | undefined {
  if (id === '') return undefined
  return images.get(id) ?? book.images.find((image) => image.id.startsWith(id) || id.startsWith(image.id))
}
