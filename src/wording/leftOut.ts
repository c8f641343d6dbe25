import type { LeftOut } from '../core/search/cheapestFit.ts'

/** Why a search did not look at a provider: `Tidewright, in USD without an exchange rate`. */
export function leftOutText({ provider, why, currency }: LeftOut): string {
  switch (why) {
    case 'currency':
      return `${provider}, in ${currency} without an exchange rate`
    case 'image':
      return `${provider}, which sells no such image`
    case 'pinned':
      return `${provider}, since what is pinned has a name at its own provider alone`
  }
}
