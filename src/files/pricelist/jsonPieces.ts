import { UnreadableList } from './listTable.ts'

/** A value of a JSON text, and the keys on the way to it; undefined for an item of a list. */
export interface JsonPiece {
  readonly path: readonly (string | undefined)[]
  /** The objects and lists that it is in, each with a number of its own. */
  readonly within: readonly number[]
  readonly value: unknown
}

/** An object or list whose text is longer is entered, and its values come one by one. */
const LARGEST_PIECE = 2 * 1024 * 1024
const MOST_DEPTH = 40

const [QUOTE, BACKSLASH, COMMA, COLON] = [34, 92, 44, 58]
const [OPEN_OBJECT, CLOSE_OBJECT, OPEN_LIST, CLOSE_LIST] = [123, 125, 91, 93]

const isBlank = (code: number): boolean => code === 32 || (code >= 9 && code <= 13)
const isOpening = (code: number): boolean => code === OPEN_OBJECT || code === OPEN_LIST
const isClosing = (code: number): boolean => code === CLOSE_OBJECT || code === CLOSE_LIST

/** How far a value that is not whole yet was looked through. */
interface Look {
  at: number
  depth: number
  isText: boolean
}

/**
 * The values of a JSON text (RFC 8259) as they come, in batches of what a part of the stream completes: small ones whole,
 * of large objects and lists what is in them; of several values one after the other (a value on each line) each, so that memory is a few times the largest piece. Throws where the text is
 * no JSON, or ends early. O(letters).
 */
export async function* jsonPieces(
  stream: ReadableStream<Uint8Array>,
  largest = LARGEST_PIECE,
): AsyncGenerator<JsonPiece[]> {
  const reader = stream.getReader()
  const decoder = new TextDecoder()
  const scanner = new PieceScanner(largest)
  try {
    for (;;) {
      const { done, value } = await reader.read()
      const pieces = scanner.take(done ? decoder.decode() : decoder.decode(value, { stream: true }))
      if (pieces.length > 0) yield pieces
      if (done) break
    }
  } finally {
    await reader.cancel().catch(() => undefined)
  }
  if (!scanner.isWhole) throw new UnreadableList('The file begins like JSON and is none: it may be cut off.')
}

class PieceScanner {
  private text = ''
  /** What stands before is done with. */
  private at = 0
  private look: Look | undefined
  /** Objects and lists that were entered: their kind, and the key of the value that comes next. */
  private readonly entered: {
    readonly id: number
    readonly isObject: boolean
    key: string | undefined
  }[] = []
  private count = 0
  private hasRoot = false

  constructor(private readonly largest: number) {}

  get isWhole(): boolean {
    return this.hasRoot && this.entered.length === 0 && this.text.slice(this.at).trim() === ''
  }

  take(more: string): JsonPiece[] {
    this.text = this.text.slice(this.at) + more
    if (this.look) this.look.at -= this.at
    this.at = 0
    const pieces: JsonPiece[] = []
    while (this.step(pieces));
    return pieces
  }

  /** Whether there may be more to do with the text at hand. */
  private step(pieces: JsonPiece[]): boolean {
    const { text } = this
    while (
      this.at < text.length &&
      (isBlank(text.charCodeAt(this.at)) ||
        text.charCodeAt(this.at) === COMMA ||
        text.charCodeAt(this.at) === 0xfeff)
    ) {
      this.at += 1
    }
    if (this.at >= text.length) return false
    const inside = this.entered.at(-1)
    if (inside && isClosing(text.charCodeAt(this.at))) {
      this.entered.pop()
      this.at += 1
      this.valueIsOver()
      return true
    }
    if (inside?.isObject && inside.key === undefined) return this.readKey(inside)
    return this.readValue(pieces)
  }

  private readKey(inside: { key: string | undefined }): boolean {
    const end = endOfText(this.text, this.at)
    if (end === undefined) return false
    let colon = end
    while (colon < this.text.length && isBlank(this.text.charCodeAt(colon))) colon += 1
    if (colon >= this.text.length) return false
    const key = parsed(this.text.slice(this.at, end))
    if (typeof key !== 'string' || this.text.charCodeAt(colon) !== COLON) throw noJson()
    inside.key = key
    this.at = colon + 1
    return true
  }

  private readValue(pieces: JsonPiece[]): boolean {
    const first = this.text.charCodeAt(this.at)
    const end = isOpening(first) ? this.endOfContainer() : endOfScalar(this.text, this.at)
    if (end === undefined) {
      if (this.text.length - this.at <= this.largest) return false
      if (!isOpening(first))
        throw new UnreadableList('The file has a text that is longer than any in a price list.')
      if (this.entered.length >= MOST_DEPTH)
        throw new UnreadableList(`The list is nested deeper than ${MOST_DEPTH}.`)
      this.entered.push({ id: this.count++, isObject: first === OPEN_OBJECT, key: undefined })
      this.hasRoot = true
      this.look = undefined
      this.at += 1
      return true
    }
    pieces.push({
      path: this.entered.map(({ key }) => key),
      within: this.entered.map(({ id }) => id),
      value: parsed(this.text.slice(this.at, end)),
    })
    this.hasRoot = true
    this.look = undefined
    this.at = end
    this.valueIsOver()
    return true
  }

  /** What comes next in the same object has a key of its own. */
  private valueIsOver(): void {
    const inside = this.entered.at(-1)
    if (inside) inside.key = undefined
  }

  /** Behind its last bracket; undefined where that has not come yet. */
  private endOfContainer(): number | undefined {
    const { text } = this
    const look = (this.look ??= { at: this.at, depth: 0, isText: false })
    for (; look.at < text.length; look.at++) {
      const code = text.charCodeAt(look.at)
      if (look.isText) {
        if (code === BACKSLASH) {
          // What it guards may not have come yet.
          if (look.at + 1 >= text.length) return undefined
          look.at += 1
        } else if (code === QUOTE) look.isText = false
      } else if (code === QUOTE) look.isText = true
      else if (isOpening(code)) look.depth += 1
      else if (isClosing(code)) {
        look.depth -= 1
        if (look.depth === 0) return look.at + 1
      }
    }
    return undefined
  }
}

/** Behind the closing quotation mark of a text that begins here. */
function endOfText(text: string, from: number): number | undefined {
  if (text.charCodeAt(from) !== QUOTE) throw noJson()
  for (let at = from + 1; at < text.length; at++) {
    const code = text.charCodeAt(at)
    if (code === BACKSLASH) at += 1
    else if (code === QUOTE) return at + 1
  }
  return undefined
}

/** Behind a text, a number or a word; a number may go on in what comes next. */
function endOfScalar(text: string, from: number): number | undefined {
  if (text.charCodeAt(from) === QUOTE) return endOfText(text, from)
  for (let at = from; at < text.length; at++) {
    const code = text.charCodeAt(at)
    if (code === COMMA || isClosing(code) || isBlank(code)) return at
  }
  return undefined
}

const noJson = (): UnreadableList =>
  new UnreadableList('The file begins like JSON and is none: it may be cut off.')

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    throw noJson()
  }
}
