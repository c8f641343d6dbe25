import type { PricedProvider } from '../meter/planPricing.ts'
import type { PlatesInputs } from './plate.ts'

/** The machine's own provider, as the others are offered. */
export const ownProvider = ({ resolved, month, shared }: PlatesInputs): PricedProvider => ({
  index: resolved.index,
  month,
  shared,
  exchange: { kind: 'same' },
})

/** What a provider, by its id, sells the machine; undefined where there is no book of it. */
export const pricedProvider = (inputs: PlatesInputs, provider: string): PricedProvider | undefined =>
  provider === inputs.resolved.machine.provider
    ? ownProvider(inputs)
    : inputs.elsewhere?.find(({ index }) => index.book.provider.id === provider)
