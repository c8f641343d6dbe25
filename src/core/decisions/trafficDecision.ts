import { trafficBands } from '../catalogue/regionRates.ts'
import { gib, type GiB } from '../quantity/units.ts'
import type { DecisionRules } from './decisionRules.ts'

const AMOUNTS = [0, 10, 50, 100, 250, 500, 1_000, 2_500, 5_000, 10_000]

/** Left where the region sells traffic, or the machine sends some all the same. */
export const TRAFFIC_DECISION: DecisionRules<{ readonly trafficOutGiB: GiB }> = {
  count: ({ machine, region }) => (trafficBands(region) || machine.trafficOutGiB ? 1 : 0),
  choices: ({ machine }) =>
    [...new Set([...AMOUNTS, machine.trafficOutGiB ?? 0])]
      .sort((a, b) => a - b)
      .map((amount) => ({ trafficOutGiB: gib(amount) })),
  present: ({ machine }) => ({ trafficOutGiB: machine.trafficOutGiB ?? gib(0) }),
  apply: (machine, { trafficOutGiB }) => ({ ...machine, trafficOutGiB }),
  key: ({ trafficOutGiB }) => String(trafficOutGiB),
  leavesWorkAlone: () => false,
}
