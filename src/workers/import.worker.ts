import { answerWith } from './answerWith.ts'
import { refuse } from '../core/outcome.ts'
import { readAnyFile } from '../files/readAnyFile.ts'
import { MOST_BYTES, tooLarge } from '../files/readJson.ts'
import type { ImportAnswer, ImportAsk } from './importWorkerProtocol.ts'

answerWith(async ({ file, books }: ImportAsk) => {
  const answer: ImportAnswer =
    file.size > MOST_BYTES ? refuse(tooLarge(file.size)) : readAnyFile(await file.text(), books)
  self.postMessage(answer)
})
