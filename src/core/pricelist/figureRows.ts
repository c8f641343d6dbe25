import type { PriceBook, Size } from '../catalogue/priceBook.ts'
import { gib } from '../quantity/units.ts'
import { architectureIn } from '../table/architectureText.ts'
import { readFigure } from '../table/readFigure.ts'

/** Figures of a size beside its vCPU and memory; what is not known is empty. */
export const SIZE_FIGURES = [
  'family',
  'architecture',
  'mostDisks',
  'iops',
  'megabytesPerSecond',
  'networkMegabitsPerSecond',
  'localDiskGiB',
  'hibernation',
] as const
export type SizeFigure = (typeof SIZE_FIGURES)[number]

const MOST = {
  mostDisks: 1_000,
  iops: 10_000_000,
  megabytesPerSecond: 1_000_000,
  networkMegabitsPerSecond: 10_000_000,
  localDiskGiB: 1_000_000,
} as const

/** As it stands in its cell. */
export function figureText({ families }: PriceBook, size: Size, figure: SizeFigure): string {
  switch (figure) {
    case 'family':
      return families.find(({ id }) => id === size.family)?.name ?? size.family
    case 'hibernation':
      return size.hibernation === undefined ? '' : size.hibernation ? 'yes' : 'no'
    default:
      return String(size[figure] ?? '')
  }
}

/** What a cell says of a figure, as part of a size with nothing where it is not known; undefined where it is no such figure. */
export function readSizeFigure(
  { families }: PriceBook,
  figure: SizeFigure,
  cell: string,
): { readonly [Figure in SizeFigure]?: Size[Figure] | undefined } | undefined {
  const text = cell.trim()
  if (figure === 'family') {
    const family = families.find(({ name, id }) => name.toLowerCase() === text.toLowerCase() || id === text)
    return family && { family: family.id }
  }
  if (text === '') return { [figure]: undefined }
  if (figure === 'hibernation') {
    const word = text.toLowerCase()
    return /^(yes|y|ja|oui|true)$/.test(word)
      ? { hibernation: true }
      : /^(no|n|nein|non|false)$/.test(word)
        ? { hibernation: false }
        : undefined
  }
  if (figure === 'architecture') {
    const architecture = architectureIn(text)
    return architecture && { architecture }
  }
  const read = readFigure(text)
  const value = read.ok ? Number(read.value.text) : Number.NaN
  const isWhole = Number.isInteger(value) && value >= 1 && value <= MOST[figure]
  if (!isWhole) return undefined
  return { [figure]: figure === 'localDiskGiB' ? gib(value) : value }
}

/** Figures put in one size; undefined takes one away. */
export const putFigures = (
  book: PriceBook,
  id: string,
  part: { readonly [Figure in SizeFigure]?: Size[Figure] | undefined },
): PriceBook => ({ ...book, sizes: book.sizes.map((size) => (size.id === id ? withPart(size, part) : size)) })

/** A figure of all sizes of a family, or of all. */
export const fillFigure = (
  book: PriceBook,
  family: string | undefined,
  part: { readonly [Figure in SizeFigure]?: Size[Figure] | undefined },
): PriceBook => ({
  ...book,
  sizes: book.sizes.map((size) =>
    family === undefined || size.family === family ? withPart(size, part) : size,
  ),
})

function withPart(size: Size, part: object): Size {
  const known = Object.entries({ ...size, ...part }).filter(([, value]) => value !== undefined)
  return Object.fromEntries(known) as unknown as Size
}
