import { billSample } from '../files/bill/billSample.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { BillSampleQuestion } from './askers.ts'

answerQuestions(({ files, provider }: BillSampleQuestion) => billSample(files, provider))
