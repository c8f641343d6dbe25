import { accept } from '../core/outcome.ts'
import { keptBills } from '../files/bill/keptBill.ts'
import { readBill } from '../files/bill/readBill.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { BillReadQuestion } from './askers.ts'

answerQuestions(async function* ({ files, zones, recipes }: BillReadQuestion) {
  const read = yield* readBill({ files, recipes, ...zones })
  return read.ok ? accept(keptBills(read.value)) : read
})
