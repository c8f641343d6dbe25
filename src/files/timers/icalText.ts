/** Text of RFC 5545: escaped (section 3.3.11), folded at 75 octets (section 3.1), lines ended by CRLF. */

const LONGEST_LINE = 75

export const icalEscape = (text: string): string =>
  text
    .replaceAll('\\', '\\\\')
    .replaceAll(';', '\\;')
    .replaceAll(',', '\\,')
    .replace(/\r\n|\r|\n/g, '\\n')

/** Text as it was before `icalEscape`. */
export const icalUnescape = (text: string): string =>
  text.replace(/\\([nN;,\\])/g, (_, char: string) => (char === 'n' || char === 'N' ? '\n' : char))

export const icalLines = (lines: readonly string[]): string =>
  lines.map((line) => `${fold(line)}\r\n`).join('')

function fold(line: string): string {
  const parts: string[] = []
  let part = ''
  let octets = 0
  for (const char of line) {
    const size = new TextEncoder().encode(char).length
    if (octets + size > LONGEST_LINE) {
      parts.push(part)
      // The blank that begins a folded line counts.
      part = ''
      octets = 1
    }
    part += char
    octets += size
  }
  return [...parts, part].join('\r\n ')
}
