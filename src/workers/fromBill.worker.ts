import { finishLater } from '../core/finish.ts'
import { accept } from '../core/outcome.ts'
import { keptBillFile } from '../files/bill/keptBill.ts'
import { planFromBill } from '../files/bill/planFromBill.ts'
import { readBill } from '../files/bill/readBill.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { FromBillQuestion } from './askers.ts'

answerQuestions(async ({ bytes, month, timeZone }: FromBillQuestion) => {
  const read = await finishLater(readBill(keptBillFile(bytes)))
  return read.ok ? accept(planFromBill(read.value, month, timeZone)) : read
})
