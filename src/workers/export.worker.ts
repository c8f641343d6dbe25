import { writeExport, type Export } from '../files/writeExport.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions((asked: Export) => writeExport(asked))
