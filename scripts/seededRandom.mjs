/** Numbers between 0 and 1 that are the same for the same seed (Lehmer). */
export function seededRandom(seed) {
  let state = seed
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647
}
