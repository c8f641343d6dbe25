import { finishLater } from '../core/finish.ts'
import { keptFor } from '../core/keptFor.ts'
import { accept } from '../core/outcome.ts'
import { billAnswer } from '../files/bill/billAnswer.ts'
import { keptBillFile } from '../files/bill/keptBill.ts'
import { readBill } from '../files/bill/readBill.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { BillComparisonQuestion } from './askers.ts'

/** The plan changes more often than its bill. */
const readingOf = keptFor((bytes: Uint8Array<ArrayBuffer>) => finishLater(readBill(keptBillFile(bytes))))

answerQuestions(async ({ bytes, ...question }: BillComparisonQuestion) => {
  const read = await readingOf(bytes)
  return read.ok ? accept(billAnswer(read.value, question)) : read
})
