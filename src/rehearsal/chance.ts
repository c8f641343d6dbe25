/** Numbers from 0 to below 1, the same for the same words: what befalls one machine does not depend on another. */
export type Chance = () => number

/** A small mixing function (splitmix32) over a hash (FNV-1a) of the words. */
export function chanceOf(...words: readonly (string | number)[]): Chance {
  let state = 0x811c9dc5
  for (const unit of new TextEncoder().encode(words.join('\u001f'))) {
    state = Math.imul(state ^ unit, 0x01000193) >>> 0
  }
  return () => {
    state = (state + 0x9e3779b9) >>> 0
    let mixed = state
    mixed = Math.imul(mixed ^ (mixed >>> 16), 0x21f0aaad)
    mixed = Math.imul(mixed ^ (mixed >>> 15), 0x735a2d97)
    return ((mixed ^ (mixed >>> 15)) >>> 0) / 2 ** 32
  }
}
