import { finishLater } from '../core/finish.ts'
import { keptFor } from '../core/keptFor.ts'
import { billLinesAnswer } from '../files/bill/billLinesAnswer.ts'
import { keptBillFile } from '../files/bill/keptBill.ts'
import { readBill } from '../files/bill/readBill.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { BillBesideQuestion } from './askers.ts'

const readingOf = keptFor((bytes: Uint8Array<ArrayBuffer>) => finishLater(readBill(keptBillFile(bytes))))

answerQuestions(async ({ bytes, ...question }: BillBesideQuestion) => {
  const read = await readingOf(bytes)
  return read.ok ? billLinesAnswer(read.value, question) : read
})
