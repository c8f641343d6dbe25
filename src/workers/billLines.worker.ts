import { billLinesAnswer } from '../files/bill/billLinesAnswer.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { BillBesideQuestion } from './askers.ts'
import { keptReading } from './keptReading.ts'

answerQuestions(async ({ bytes, ...question }: BillBesideQuestion) => {
  const read = await keptReading(bytes)
  return read.ok ? billLinesAnswer(read.value, question) : read
})
