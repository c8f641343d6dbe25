import { rehearsalSpread } from '../rehearsal/rehearsalSpread.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions(rehearsalSpread)
