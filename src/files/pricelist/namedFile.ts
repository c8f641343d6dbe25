/** What a file is that holds no table that could be read, by its first bytes. */
const SIGNS: readonly (readonly [bytes: readonly number[], what: string])[] = [
  [
    [0x25, 0x50, 0x44, 0x46],
    'a PDF: its text has no columns. Expected: the same list as CSV or as a spreadsheet, or its table copied and pasted.',
  ],
  [[0x89, 0x50, 0x4e, 0x47], 'a picture. Expected: the list itself, as text or as a spreadsheet.'],
  [[0xff, 0xd8, 0xff], 'a picture. Expected: the list itself, as text or as a spreadsheet.'],
  [[0x47, 0x49, 0x46, 0x38], 'a picture. Expected: the list itself, as text or as a spreadsheet.'],
  [[0x52, 0x49, 0x46, 0x46], 'a picture or a sound. Expected: the list itself, as text or as a spreadsheet.'],
  [
    [0xd0, 0xcf, 0x11, 0xe0],
    'an office document of the old kind. Expected: saved anew as .xlsx, .ods or CSV.',
  ],
  [
    [0x50, 0x41, 0x52, 0x31],
    'a Parquet file. Expected: a price list as CSV, JSON or a spreadsheet; bills are read as Parquet.',
  ],
  [[0x37, 0x7a, 0xbc, 0xaf], 'a 7z archive. Expected: a zip, or the list itself.'],
  [[0x28, 0xb5, 0x2f, 0xfd], 'packed by zstd. Expected: packed by gzip or zip, or the list itself.'],
]

/** `a PDF: ...`, in words for its reader; undefined where the bytes are none of these. */
export const foreignFile = (start: Uint8Array): string | undefined =>
  SIGNS.find(([bytes]) => bytes.every((byte, i) => start[i] === byte))?.[1]

/** What an archive of an office is that holds no sheets, by the names in it. */
export function foreignArchive(names: ReadonlySet<string>): string | undefined {
  if (names.has('word/document.xml'))
    return 'a text document. Expected: its table copied and pasted, or saved as a spreadsheet.'
  if (names.has('ppt/presentation.xml')) return 'a presentation. Expected: the list itself.'
  return undefined
}

/** What a JSON document of this program is: `a plan`. */
export function ownDocument(value: unknown): string | undefined {
  const format = typeof value === 'object' && value !== null ? Reflect.get(value, 'format') : undefined
  const [, kind] = typeof format === 'string' ? (/^notchgauge\/([a-z-]{3,30})/.exec(format) ?? []) : []
  return kind && `a ${kind.replaceAll('-', ' ')} of this program`
}
