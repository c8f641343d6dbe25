import { SEVERITIES } from '../watch/finding.ts'
import type { PlanFinding, PlanNotch, Survey } from './surveyPlan.ts'

/** The first of a list, and how many there are in all. */
interface Leading<T> {
  readonly first: readonly T[]
  readonly count: number
}

/** What a survey has foremost: thousands of machines have more than anybody reads. */
export interface LeadingSurvey {
  /** Those that save something, the largest saving first. */
  readonly notches: Leading<PlanNotch>
  /** By what is at stake, then by how bad it is. */
  readonly findings: Leading<PlanFinding>
}

const MOST = 1_000

/** O(n log n). */
export function leadingSurvey({ notches, findings }: Survey): LeadingSurvey {
  const saving = notches.filter((notch) => notch.saving && notch.saving.n > 0n)
  const worst = [...findings].sort(
    (a, b) =>
      Number(b.stake !== undefined) - Number(a.stake !== undefined) ||
      (a.stake === undefined
        ? SEVERITIES.indexOf(a.finding.severity) - SEVERITIES.indexOf(b.finding.severity)
        : 0),
  )
  return { notches: leading(saving), findings: leading(worst) }
}

const leading = <T>(all: readonly T[]): Leading<T> => ({ first: all.slice(0, MOST), count: all.length })
