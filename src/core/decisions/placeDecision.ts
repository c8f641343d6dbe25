import type { DecisionRules } from './decisionRules.ts'

interface PlaceTaken {
  readonly provider: string
  readonly region: string
  readonly zone: string
}

export const PLACE_DECISION: DecisionRules<PlaceTaken> = {
  choices: ({ index: { book } }) =>
    book.regions.flatMap(({ id, zones }) =>
      zones.map((zone) => ({ provider: book.provider.id, region: id, zone })),
    ),
  present: ({ machine: { provider, region, zone } }) => ({ provider, region, zone }),
  apply: (machine, { provider, region, zone }) => ({ ...machine, provider, region, zone }),
  resolve: ({ index }, { region }) => ({ region: index.regions.get(region)! }),
  key: ({ provider, region, zone }) => `${provider}-${region}-${zone}`,
}
