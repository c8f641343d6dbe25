const MARKS = /[\s.,;:_/|–-]/

/**
 * Texts without the words that all of them begin or end with: Lyon and Turku of "Lyon €/month" and "Turku €/month". Words
 * are parted by blanks and marks. O(letters).
 */
export function withoutShared(texts: readonly string[]): string[] {
  const [first = ''] = texts
  if (new Set(texts).size < 2) return [...texts]
  const alike = (count: number, letter: (text: string, at: number) => string | undefined): boolean =>
    texts.every((text) => text.length > count && letter(text, count) === letter(first, count))
  let before = 0
  while (alike(before, (text, at) => text[at])) before += 1
  while (before > 0 && !MARKS.test(first[before - 1]!)) before -= 1
  let after = 0
  while (alike(after, (text, at) => text[text.length - 1 - at])) after += 1
  while (after > 0 && !MARKS.test(first[first.length - after]!)) after -= 1
  return texts.map((text) =>
    trim(text.length > before + after ? text.slice(before, text.length - after) : text.slice(before)),
  )
}

const trim = (text: string): string => text.replace(/^[\s.,;:_/|–-]+|[\s.,;:_/|–-]+$/g, '')
