import type { Machine, Plan } from '../../core/machine/plan.ts'

/** The zone in which the ledger's times and days are told: the machine's own, or the one most machines are planned in. */
export function ledgerZone({ weeks, machines }: Plan, machine: Machine | undefined): string {
  const zoneOf = (week: string): string => weeks.find(({ id }) => id === week)?.timeZone ?? 'Etc/UTC'
  if (machine) return zoneOf(machine.week)
  const counts = new Map<string, number>()
  for (const { week } of machines) counts.set(zoneOf(week), (counts.get(zoneOf(week)) ?? 0) + 1)
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0] ?? 'Etc/UTC'
}
