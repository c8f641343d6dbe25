import type { Outcome } from '../../../core/outcome.ts'
import type { FileIssue } from '../../reading/fileIssue.ts'
import type { ListQuestion, ListReading, ListSource } from '../listAnswer.ts'
import { readList } from '../readList.ts'

export interface ListFile {
  readonly name: string
  readonly content: string | Uint8Array
}

/** Files as somebody chooses them. */
const filesSource = (files: readonly ListFile[]): ListSource => ({
  kind: 'files',
  files: files.map(({ name, content }) => ({
    name,
    file: new Blob([content as Uint8Array<ArrayBuffer> | string]),
  })),
})

/** What a list is read as, by what is proposed or as `part` says. */
export async function answerToList(
  files: readonly ListFile[] | ListSource,
  part: Partial<ListQuestion> = {},
): Promise<Outcome<ListReading, FileIssue>> {
  const steps = readList({
    source: 'kind' in files ? files : filesSource(files),
    provider: { id: 'own', name: 'Own' },
    from: '2027-03-01',
    manner: 'gives-back',
    ...part,
  })
  let step = await steps.next()
  while (!step.done) step = await steps.next()
  return step.value
}

/** The same, of a list that can be read. */
export async function readingOfList(
  files: readonly ListFile[] | ListSource,
  part?: Partial<ListQuestion>,
): Promise<ListReading> {
  const answer = await answerToList(files, part)
  if (!answer.ok) throw new Error(JSON.stringify(answer.issues))
  return answer.value
}
