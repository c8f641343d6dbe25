import { finishLater } from '../core/finish.ts'
import { keptFor } from '../core/keptFor.ts'
import { keptBillFile } from '../files/bill/keptBill.ts'
import { readBill } from '../files/bill/readBill.ts'

/** What a kept bill says, read once: the plan changes more often than its bill. */
export const keptReading = keptFor((bytes: Uint8Array<ArrayBuffer>) =>
  finishLater(readBill(keptBillFile(bytes))),
)
