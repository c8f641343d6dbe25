import type { PlaceAnswer } from './listMapping.ts'

/**
 * Answers what a place of the book is called, or which city it is in, for every text of the list that stands for it: what
 * was brought together stays together. O(answers).
 */
export function answerPlace(
  places: readonly PlaceAnswer[],
  name: string,
  part: Pick<PlaceAnswer, 'name' | 'city'>,
): PlaceAnswer[] {
  const own = places.filter((each) => (each.name ?? each.text) === name)
  const others = places.filter((each) => !own.includes(each))
  const texts = new Map(own.map((each) => [each.text, each]))
  // The list may call it so itself.
  if (!places.some(({ text }) => text === name)) texts.set(name, { text: name })
  return [...others, ...[...texts.values()].map((each) => ({ ...each, ...part }))]
}
