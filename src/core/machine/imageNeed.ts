import type { Image } from '../catalogue/priceBook.ts'
import { nameRulesOf } from './accessProblems.ts'

/** What a machine asks of its image where it does not ask for the very one that it has. */
export const IMAGE_NEEDS = ['any-linux', 'licensed-desktop', 'any'] as const
export type ImageNeed = (typeof IMAGE_NEEDS)[number]

export function meetsImageNeed(image: Image, need: ImageNeed): boolean {
  switch (need) {
    case 'any':
      return true
    case 'any-linux':
      return nameRulesOf(image) === 'unix'
    case 'licensed-desktop':
      return nameRulesOf(image) === 'desktop'
  }
}
