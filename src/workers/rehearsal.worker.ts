import { rehearseBill } from '../rehearsal/rehearseBill.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions(rehearseBill)
