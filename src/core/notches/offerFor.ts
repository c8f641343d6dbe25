import type { ProviderOffer } from '../meter/planPricing.ts'
import type { PlatesInputs } from './plate.ts'

/** The machine's own provider, as the others are offered. */
export const ownOffer = ({ resolved, month, shared }: PlatesInputs): ProviderOffer => ({
  index: resolved.index,
  month,
  shared,
  exchange: { kind: 'same' },
})

/** What a provider, by its id, offers the machine; undefined where there is no book of it. */
export const offerFor = (inputs: PlatesInputs, provider: string): ProviderOffer | undefined =>
  provider === inputs.resolved.machine.provider
    ? ownOffer(inputs)
    : inputs.elsewhere?.find(({ index }) => index.book.provider.id === provider)
