import type { ListQuestion } from '../files/pricelist/listAnswer.ts'
import { readList } from '../files/pricelist/readList.ts'
import { answerQuestions } from './answerQuestions.ts'
import { bookInPortions, withJson } from './largeBook.ts'

async function* reading(question: ListQuestion) {
  return withJson(yield* readList(question))
}

answerQuestions(reading, { portions: bookInPortions })
