import { planOverview, type OverviewInputs, type OverviewPart } from '../core/wholePlan/planOverview.ts'
import { answerQuestions } from './answerQuestions.ts'

/** Each part as a step; the answer is which parts there were. */
function* overview(inputs: OverviewInputs): Generator<OverviewPart, readonly OverviewPart['kind'][]> {
  const kinds = new Set<OverviewPart['kind']>()
  for (const part of planOverview(inputs)) {
    kinds.add(part.kind)
    yield part
  }
  return [...kinds]
}

answerQuestions(overview, { mayBeSkipped: ({ kind }) => kind === 'progress' })
