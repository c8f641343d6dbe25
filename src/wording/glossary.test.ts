import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { GLOSSARY } from './glossary.ts'
import { VIEW_HELP } from './keys.ts'

const doc = readFileSync('docs/glossary.md', 'utf8')

test('the glossary in the documents says the same as the program, word for word', () => {
  const written = [...doc.matchAll(/^- \*\*(.+?)\*\*: (.+)$/gm)].map(([, term, meaning]) => [term, meaning])
  expect(written).toEqual(Object.entries(GLOSSARY))
})

test('no meaning is longer than a person reads at a glance', () => {
  for (const [term, meaning] of Object.entries(GLOSSARY)) {
    expect([term, meaning.length <= 140, meaning.endsWith('.')]).toEqual([term, true, true])
  }
  expect([...VIEW_HELP.values()].every(({ words }) => words.length > 0)).toBe(true)
})

const sources = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) return sources(path)
    return /\.tsx?$/.test(name) && !/\.test\./.test(name) ? [path] : []
  })

/** What the table in the documents says that a thing is not called. */
const AVOIDED = [...doc.matchAll(/^\| [^|]+ \| ([^|]+) \|$/gm)]
  .slice(2)
  .flatMap(([, words]) => words!.trim().split(', '))

test('words that are avoided stand in no sentence of the program', () => {
  expect(AVOIDED.length).toBeGreaterThan(6)
  // Sentences are strings with a blank in them, and text between tags.
  const sentence = /'[^'\n]* [^'\n]*'|`[^`\n]* [^`\n]*`|>[^<>{}\n]* [^<>{}\n]*</g
  const found = ['src/wording', 'src/screens']
    .flatMap(sources)
    .flatMap((path) =>
      [...readFileSync(path, 'utf8').matchAll(sentence)].flatMap(([text]) =>
        AVOIDED.filter((word) => new RegExp(`\\b${word}\\b`, 'i').test(text)).map(
          (word) => `${path}: ${word}: ${text}`,
        ),
      ),
    )
  expect(found).toEqual([])
})
