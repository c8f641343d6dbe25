/** As most lists and inventories write it; anything else is not known. */
export function architectureIn(text: string): 'x86-64' | 'arm64' | undefined {
  const words = text.toLowerCase()
  if (/(?<![a-z])(arm|arm64|armv[89]|aarch64)(?![a-z])/.test(words)) return 'arm64'
  return /(?<![a-z])(x86|x86[-_ ]?64|amd64|x64)(?![a-z])/.test(words) ? 'x86-64' : undefined
}
