/** A stream of numbers from 0 to below 1 that is the same for the same seed (mulberry32). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
}

/** What people, programs and faults put where something else belongs. */
const ODD = [
  'null', 'true', '-1', '0', '0.1', '1e999', '1e-300', '99999999999999999999', '""', '[]', '{}', '[null,null]', '"__proto__"', '"constructor"', '"2027-02-30"', '"24:00"', '"NaN"', '"\\u0000"', '"\\ud800"', '"=1+1"', '"' + 'x'.repeat(300) + '"', '[[[[[[[[]]]]]]]]',
] // prettier-ignore

const ODD_TEXT = ['\u0000', '"', '\\', '\r\n', ';', ',', '\ufeff', '\ud800', 'BEGIN:VEVENT\r\n', 'END:VEVENT\r\n', 'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30\r\n', ' ', '-', '9'.repeat(40)] // prettier-ignore

/** The text with a part of it cut out, doubled, moved, written over, or cut off. */
export function mutatedText(text: string, random: () => number): string {
  const at = Math.floor(random() * (text.length + 1))
  const length = Math.floor(random() ** 3 * 200) + 1
  const [before, part, after] = [text.slice(0, at), text.slice(at, at + length), text.slice(at + length)]
  const odd = ODD_TEXT[Math.floor(random() * ODD_TEXT.length)]!
  switch (Math.floor(random() * 6)) {
    case 0:
      return before + after
    case 1:
      return before + part + part + after
    case 2:
      return before + odd + part + after
    case 3:
      return before + odd + after
    case 4:
      return after + part + before
    default:
      return before
  }
}

/** The JSON value with one place of it taken out, doubled, or replaced by something odd. A new value; the old one stays. */
export function mutatedJson(value: unknown, random: () => number): unknown {
  const copy = JSON.parse(JSON.stringify(value)) as unknown
  let place = copy
  for (;;) {
    if (typeof place !== 'object' || place === null) return copy
    const keys = Object.keys(place)
    const key = keys[Math.floor(random() * keys.length)]
    if (key === undefined) return copy
    const holder = place as Record<string, unknown>
    const inner = holder[key]
    const isDeep = typeof inner === 'object' && inner !== null && Object.keys(inner).length > 0
    if (isDeep && random() < 0.85) {
      place = inner
      continue
    }
    const odd = JSON.parse(ODD[Math.floor(random() * ODD.length)]!.replace('1e999', '1e308')) as unknown
    const change = random()
    if (change < 0.2) Reflect.deleteProperty(holder, key)
    else if (change < 0.3) holder[`${key}-2`] = inner
    else if (change < 0.4 && Array.isArray(place)) place.push(inner)
    else
      Object.defineProperty(holder, key, { value: odd, enumerable: true, configurable: true, writable: true })
    return copy
  }
}
