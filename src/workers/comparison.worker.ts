import { accept } from '../core/outcome.ts'
import { billAnswer } from '../files/bill/billAnswer.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { BillComparisonQuestion } from './askers.ts'
import { keptReading } from './keptReading.ts'

answerQuestions(async ({ bytes, ...question }: BillComparisonQuestion) => {
  const read = await keptReading(bytes)
  return read.ok ? accept(billAnswer(read.value, question)) : read
})
