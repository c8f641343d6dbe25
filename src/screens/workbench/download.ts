import { plainName } from '../../files/reading/plainNames.ts'

/** Hands content to the browser to be saved as a file. */
export function download(
  name: string,
  content: string | Uint8Array<ArrayBuffer>,
  type = 'application/json',
): void {
  const url = URL.createObjectURL(new Blob([content], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}

/** A file name out of any text: letters, digits and hyphens, never empty. */
export const fileName = (text: string): string => plainName(text)
