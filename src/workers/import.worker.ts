import { readAnyFile } from '../files/readAnyFile.ts'
import { MOST_BYTES, tooLarge } from '../files/reading/readJson.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { ImportQuestion } from './askers.ts'
import { bookInPortions, withJson } from './largeBook.ts'
import { readFileOf } from './readFileOf.ts'

answerQuestions(
  async ({ file, books }: ImportQuestion) => {
    const text = await readFileOf(file, { door: 'import', mostBytes: MOST_BYTES, tooLarge })
    return text.ok ? withJson(readAnyFile(text.value, books)) : text
  },
  { portions: bookInPortions },
)
