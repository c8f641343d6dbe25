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
