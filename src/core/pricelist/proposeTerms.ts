import { PLAIN_SYSTEM } from './listWords.ts'
import type { MappingQuestion, TermAnswer } from './listMapping.ts'
import { termOfText } from './termOfText.ts'

/** The system that costs nothing more; undefined where the list names none. */
export function proposeSystems(texts: readonly string[], unsure: Set<MappingQuestion>): string | undefined {
  const named = texts.filter((text) => text !== '')
  if (named.length === 0) return undefined
  const plain = named.filter((text) => PLAIN_SYSTEM.test(text))
  if (plain.length !== 1) unsure.add('systems')
  return plain[0] ?? named[0]
}

/** What each of a list's terms is; where none is on demand, the first that says nothing is taken for it. */
export function proposeTerms(texts: readonly string[], unsure: Set<MappingQuestion>): TermAnswer[] {
  const named = texts.filter((text) => text !== '')
  if (named.length === 0) return []
  const read = texts.map((text) => ({ text, answer: termOfText(text) }))
  const hasOnDemand = read.some(({ answer }) => answer?.is === 'on-demand')
  const first = hasOnDemand ? undefined : (read.find(({ answer }) => !answer) ?? shortest(read))?.text
  if (read.some(({ answer }) => !answer) || first !== undefined) unsure.add('terms')
  return read.map(({ text, answer }) => ({
    text,
    ...(text === first ? { is: 'on-demand' } : (answer ?? { is: 'left-out' })),
  }))
}

/** Who binds nobody for longer than a month sells on demand. */
const shortest = (
  read: readonly { readonly text: string; readonly answer: ReturnType<typeof termOfText> }[],
) => read.find(({ answer }) => answer?.is === 'commitment' && answer.months === 1)
