import type { PriceBook } from '../catalogue/priceBook.ts'

/** A book as a list of prices makes it: what no list says of places, sizes, disks and images is not known. */
export function bareBook(book: PriceBook): PriceBook {
  return {
    ...book,
    regions: book.regions.map(({ id, name, zones }) => ({ id, name, zones })),
    families: book.families.map(({ id, name }) => ({ id, name })),
    sizes: book.sizes.map(
      ({
        generation,
        architecture,
        mostDisks,
        diskKinds,
        iops,
        megabytesPerSecond,
        networkMegabitsPerSecond,
        hibernation,
        ...said
      }) => said,
    ),
    diskKinds: book.diskKinds.map(({ about, iops, megabytesPerSecond, ...said }) => said),
    images: book.images.map(({ about, architectures, least, usedGiB, hibernation, ...said }) => said),
  }
}
