import type { MixPlace } from '../../core/market/mixPlaces.ts'

/** `Tidewright in Tallinn and Porto, Plinthouse in Gdynia`; empty where there is none. */
export function mixPlacesText(places: readonly MixPlace[]): string {
  const byProvider = new Map<string, string[]>()
  for (const { provider, place } of places)
    byProvider.set(provider, [...(byProvider.get(provider) ?? []), place])
  return [...byProvider].map(([provider, names]) => `${provider} in ${joined(names)}`).join(', ')
}

const joined = (names: readonly string[]): string =>
  names.length < 2 ? names.join() : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
