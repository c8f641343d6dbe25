const LONGEST_NAME = 60

/** A name that a plan can have and no machine of it has: without control characters, on one line, at most 60 letters. */
export function freeMachineName(wanted: string, taken: ReadonlySet<string>): string {
  const plain =
    [...wanted.replace(/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}]/gu, ' ').trim()].slice(0, LONGEST_NAME).join('') ||
    'machine'
  for (let count = 1; ; count += 1) {
    const end = count === 1 ? '' : `-${count}`
    const name = `${plain.slice(0, LONGEST_NAME - end.length)}${end}`
    if (!taken.has(name)) return name
  }
}
