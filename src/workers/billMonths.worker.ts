import { billMonths } from '../files/bill/billMonths.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions(billMonths)
