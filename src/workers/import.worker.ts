import { answerWith } from './answerWith.ts'
import { refuse } from '../core/outcome.ts'
import { KIND_BYTES, wrongDoor } from '../files/knownKind.ts'
import { readAnyFile } from '../files/readAnyFile.ts'
import { MOST_BYTES, tooLarge } from '../files/readJson.ts'
import type { ImportAnswer, ImportAsk } from './importWorkerProtocol.ts'

answerWith(async ({ file, books }: ImportAsk) => {
  const other = wrongDoor(new Uint8Array(await file.slice(0, KIND_BYTES).arrayBuffer()), file.name, 'import')
  if (other) return self.postMessage(refuse(other))
  const answer: ImportAnswer =
    file.size > MOST_BYTES ? refuse(tooLarge(file.size)) : readAnyFile(await file.text(), books)
  self.postMessage(answer)
})
