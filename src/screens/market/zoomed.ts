import { LEAST_SPAN, WHOLE_FIELD, type FieldPart } from '../../core/market/fieldPart.ts'

/** A part of the field, `factor` as wide and high, about a point in shares of what was shown. Never beyond the field. */
export function zoomed(part: FieldPart, factor: number, x: number, y: number): FieldPart {
  const [left, right] = span(part.left, part.right, factor, x)
  const [top, bottom] = span(part.top, part.bottom, factor, y)
  return whole({ left, right, top, bottom })
}

/** The same part, moved by shares of what was shown. */
export function moved(part: FieldPart, x: number, y: number): FieldPart {
  const [left, right] = shift(part.left, part.right, x)
  const [top, bottom] = shift(part.top, part.bottom, y)
  return whole({ left, right, top, bottom })
}

/** What of a part lies between two points of it. */
export function within(
  part: FieldPart,
  x: readonly [number, number],
  y: readonly [number, number],
): FieldPart {
  const cut = (from: number, to: number, [a, b]: readonly [number, number]): [number, number] => {
    const middle = from + ((a + b) / 2) * (to - from)
    const half = Math.max(LEAST_SPAN, Math.abs(b - a) * (to - from)) / 2
    return inField(middle - half, middle + half)
  }
  const [left, right] = cut(part.left, part.right, x)
  const [top, bottom] = cut(part.top, part.bottom, y)
  return whole({ left, right, top, bottom })
}

function span(from: number, to: number, factor: number, at: number): [number, number] {
  const length = Math.min(1, Math.max(LEAST_SPAN, (to - from) * factor))
  const start = from + at * (to - from) - at * length
  return inField(start, start + length)
}

const shift = (from: number, to: number, by: number): [number, number] =>
  inField(from + by * (to - from), to + by * (to - from))

function inField(from: number, to: number): [number, number] {
  const length = Math.min(1, to - from)
  const start = Math.min(1 - length, Math.max(0, from))
  return [start, start + length]
}

/** The whole field is one object, so that it is known again. */
const whole = (part: FieldPart): FieldPart =>
  part.right - part.left >= 1 && part.bottom - part.top >= 1 ? WHOLE_FIELD : part
