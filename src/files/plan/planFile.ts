import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import type { Plan } from '../../core/machine/plan.ts'
import { accept, type Outcome } from '../../core/outcome.ts'
import { pointerOf, type FileIssue } from '../reading/fileIssue.ts'
import { readJson } from '../reading/readJson.ts'
import { stableJson } from '../reading/stableJson.ts'
import { limited, validate } from '../reading/validate.ts'
import { PLAN_KIND, PLAN_VERSION, planToFile, toPlan, toWeek, type PlanFile } from './planDocument.ts'
import { planSchema } from './planSchema.ts'
import { weekSchema } from './weekSchema.ts'

/** Reads a plan file whole, or says everything that is wrong with it. */
export function readPlan(text: string): Outcome<Plan, FileIssue> {
  const json = readJson(text, PLAN_KIND, PLAN_VERSION)
  return json.ok ? parsePlan(json.value) : json
}

/** Reads a plan that is already parsed, as the store holds it. */
export function parsePlan(value: unknown): Outcome<Plan, FileIssue> {
  const file = validate(planSchema, value)
  if (!file.ok) return file
  const weekIds = file.value.weeks.map(({ id }) => id)
  const named = file.value.machines.flatMap(({ week, variants = [] }, i) => [
    { week, at: ['machines', i, 'week'] },
    ...variants.map(({ form }, j) => ({
      week: form.week,
      at: ['machines', i, 'variants', j, 'form', 'week'],
    })),
  ])
  const lost = named.flatMap(({ week, at }): FileIssue[] =>
    weekIds.includes(week)
      ? []
      : [
          {
            code: 'unknown-reference',
            pointer: pointerOf(at),
            problem: `There is no week "${week}" in this plan.`,
            expected: weekIds.length > 0 ? `one of ${weekIds.slice(0, 8).join(', ')}.` : 'a week in /weeks.',
          },
        ],
  )
  lost.push(...lostGroups(file.value))
  return lost.length > 0 ? { ok: false, issues: limited(lost) } : accept(toPlan(file.value))
}

/** A variant may name a group that is gone: it is kept as it was. */
function lostGroups({ machines, apartGroups = [] }: PlanFile): FileIssue[] {
  const groups = apartGroups.map(({ name }) => name)
  return machines.flatMap(({ needs: { apart } }, i): FileIssue[] =>
    !apart || groups.includes(apart.group)
      ? []
      : [
          {
            code: 'unknown-reference',
            pointer: pointerOf(['machines', i, 'needs', 'apart', 'group']),
            problem: `There is no group "${apart.group}" in this plan.`,
            expected:
              groups.length > 0 ? `one of ${groups.slice(0, 8).join(', ')}.` : 'a group in /apartGroups.',
          },
        ],
  )
}

/** As it leaves the browser: without the id that tells plans apart in it. */
export function writePlan({ id, ...plan }: Plan): string {
  return stableJson(planSchema, planToFile(plan))
}

/** Reads one week as a plan file holds it; other files carry it too. */
export function parseWeek(value: unknown): Outcome<WeekPlan, FileIssue> {
  const file = validate(weekSchema, value)
  return file.ok ? accept(toWeek(file.value)) : file
}
