import fc from 'fast-check'
import type { ApartGroup } from '../machine/apartGroup.ts'
import type { Machine, Plan } from '../machine/plan.ts'

/** A machine in a group, and others of it that stand about: at one or two providers, in their regions and zones. */
export const anyGroup = (
  machine: Machine,
  providers: readonly string[],
): fc.Arbitrary<Pick<Plan, 'machines' | 'apartGroups'>> =>
  fc
    .record({
      mostInZone: fc.constantFrom(undefined, 1, 2),
      mostInFaultDomain: fc.constantFrom(undefined, 1),
      own: fc.boolean(),
      others: fc.array(
        fc.record({
          provider: fc.constantFrom(...providers),
          region: fc.constantFrom('east', 'west'),
          zone: fc.constantFrom('a', 'b'),
          sharesNothing: fc.constantFrom(false, false, true),
        }),
        { maxLength: 4 },
      ),
    })
    .map(({ mostInZone, mostInFaultDomain, own, others }) => {
      const group: ApartGroup = {
        name: 'web',
        ...(mostInZone && { mostInZone }),
        ...(mostInFaultDomain && { mostInFaultDomain }),
      }
      const inGroup = (of: Machine, sharesNothing: boolean): Machine => ({
        ...of,
        needs: { ...of.needs, apart: { group: group.name, ...(sharesNothing && { sharesNothing }) } },
      })
      return {
        apartGroups: [group],
        machines: [
          inGroup(machine, own),
          ...others.map(({ sharesNothing, ...stand }, i) =>
            inGroup({ ...machine, ...stand, pinned: [], name: `other-${i}` }, sharesNothing),
          ),
        ],
      }
    })
