import { readFileSync } from 'node:fs'
import { readPlan } from '../plan/planFile.ts'
import type { PlanFile } from '../plan/planDocument.ts'

export const DEMO_TEXT = readFileSync('data/larkspur-trams.json', 'utf8')
export const demo = (): PlanFile => JSON.parse(DEMO_TEXT) as PlanFile

export interface PlanDraft {
  format: string
  month: unknown
  name: unknown
  weeks: { id: string; timeZone: unknown; windows: { mon?: unknown }; datesOff: unknown[] }[]
  machines: Record<string, unknown>[]
}

/** The issues of the demo plan with one thing broken. */
export function issuesOf(breakIt: (draft: PlanDraft) => void) {
  const draft = demo() as unknown as PlanDraft
  breakIt(draft)
  const read = readPlan(JSON.stringify(draft))
  return read.ok ? [] : read.issues.map(({ code, pointer, expected }) => ({ code, pointer, expected }))
}
