import { refuse, type Outcome } from '../core/outcome.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'
import { KIND_BYTES, wrongDoor, type Door } from '../files/reading/knownKind.ts'

interface ReadOptions {
  readonly door: Door
  readonly mostBytes: number
  readonly tooLarge: (bytes: number) => FileIssue
}

/** The text of a file that may come through this door, before it is read as anything. */
export async function readFileOf(
  file: File,
  { door, mostBytes, tooLarge }: ReadOptions,
): Promise<Outcome<string, FileIssue>> {
  const start = new Uint8Array(await file.slice(0, KIND_BYTES).arrayBuffer())
  const other = wrongDoor(start, file.name, door)
  if (other) return refuse(other)
  if (file.size > mostBytes) return refuse(tooLarge(file.size))
  return { ok: true, value: await file.text() }
}
