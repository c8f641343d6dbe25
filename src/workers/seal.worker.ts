import { answerWith } from './answerWith.ts'
import { openDatabase } from '../store/database.ts'
import { sealStored } from '../store/sealStored.ts'

answerWith(async () => {
  const db = openDatabase()
  try {
    await sealStored(db)
  } catch {
    // Without seals everything is only checked anew when it is opened.
  }
  db.close()
  self.postMessage('done')
})
