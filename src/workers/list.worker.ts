import { readList } from '../files/pricelist/readList.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions(readList)
