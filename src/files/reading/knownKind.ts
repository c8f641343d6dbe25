import type { FileIssue } from './fileIssue.ts'

/** Where a file can be brought in. */
export type Door = 'import' | 'holidays' | 'schedule'

export type FileKind =
  | 'spreadsheet'
  | 'old spreadsheet'
  | 'zip'
  | 'gzip'
  | 'PDF'
  | 'picture'
  | 'web page'
  | 'calendar'
  | 'plan'
  | 'price book'
  | 'schedule feed'
  | 'estimate'
  | 'JSON'
  | 'YAML'
  | 'bill'
  | 'table'

/** How much of a file tells its kind. */
export const KIND_BYTES = 4_096

/** First bytes by which files of other programs are known. */
const SIGNATURES: readonly (readonly [FileKind, readonly number[]])[] = [
  ['old spreadsheet', [0xd0, 0xcf, 0x11, 0xe0]],
  ['PDF', [0x25, 0x50, 0x44, 0x46]],
  ['gzip', [0x1f, 0x8b]],
  ['picture', [0x89, 0x50, 0x4e, 0x47]],
  ['picture', [0xff, 0xd8, 0xff]],
  ['picture', [0x47, 0x49, 0x46, 0x38]],
]
const ZIP = [0x50, 0x4b]

const OURS: readonly (readonly [FileKind, string])[] = [
  ['plan', 'notchgauge/plan/'],
  ['price book', 'notchgauge/price-book/'],
  ['schedule feed', 'notchgauge/schedule/'],
  ['estimate', 'notchgauge/estimate/'],
]

/** What a file is, by its first bytes and its name; undefined where nothing is known of it. */
export function knownKind(start: Uint8Array, name: string): FileKind | undefined {
  const begins = (bytes: readonly number[]): boolean => bytes.every((byte, i) => start[i] === byte)
  const signed = SIGNATURES.find(([, bytes]) => begins(bytes))
  if (signed) return signed[0]
  const text = new TextDecoder('latin1').decode(start.subarray(0, KIND_BYTES))
  if (begins(ZIP)) return /xl\/|\.ods|opendocument\.spreadsheet/.test(text) || /\.(xlsx|ods|xlsm)$/i.test(name) ? 'spreadsheet' : 'zip' // prettier-ignore
  const plain = text.replace(/^(\u00ef\u00bb\u00bf|\ufeff)/, '').trimStart()
  if (/^BEGIN:VCALENDAR/i.test(plain)) return 'calendar'
  if (/^<(!doctype html|html|\?xml|table)/i.test(plain)) return 'web page'
  if (/^[[{]/.test(plain)) return OURS.find(([, format]) => plain.includes(`"${format}`))?.[0] ?? 'JSON'
  if (isBill(plain)) return 'bill'
  if (/\.(csv|tsv|txt)$/i.test(name)) return 'table'
  if (/^(---|#cloud-config)|^[\w-]+:\s/.test(plain) && /\.ya?ml$/i.test(name)) return 'YAML'
  return undefined
}

/** Columns that every table of FOCUS has. */
const BILL_COLUMNS = ['chargeperiodstart', 'chargecategory', 'billingcurrency']

const isBill = (text: string): boolean => {
  const heading = text.slice(0, text.search(/[\r\n]|$/)).toLowerCase()
  return BILL_COLUMNS.every((column) => heading.includes(column))
}

const AS_CSV = 'In your spreadsheet program, save the sheet as CSV, and bring that in.'
const AT_IMPORT = 'Bring it in from the plan’s menu: Import a plan, price book or inventory.'
const AT_BILL = 'Open it on the view Bill.'
const AT_WEEK = 'On a machine’s week, it is brought in under Exceptions (holidays) or Schedule (switches).'

/** What to do with a file at the door that it does not fit; undefined where it may be what is asked for. */
const ADVICE: Readonly<Record<FileKind, Readonly<Partial<Record<Door, string>>>>> = {
  spreadsheet: { import: AS_CSV, holidays: AS_CSV, schedule: AS_CSV },
  'old spreadsheet': { import: AS_CSV, holidays: AS_CSV, schedule: AS_CSV },
  zip: of('Unpack it, and bring in the file that is inside.'),
  gzip: of('Unpack it, and bring in the file that is inside.'),
  PDF: of('A PDF holds pages, not data. Look for the same as CSV, JSON or iCalendar.'),
  picture: of('A picture holds no data. Look for the same as CSV, JSON or iCalendar.'),
  'web page': of('Save the file that the page links to, not the page itself.'),
  calendar: { import: AT_WEEK },
  plan: { holidays: AT_IMPORT, schedule: AT_IMPORT },
  'price book': { holidays: AT_IMPORT, schedule: AT_IMPORT },
  'schedule feed': { import: AT_WEEK, holidays: 'On the week, it is brought in under Schedule.' },
  estimate: of(
    'An estimate holds what a plan costs, not the plan. Export the plan itself where the estimate was made.',
  ),
  JSON: { holidays: 'Holidays are read from iCalendar (.ics).' },
  YAML: of('Plans and price books are JSON.'),
  bill: of(AT_BILL),
  table: {
    holidays: 'Holidays are read from iCalendar (.ics).',
    schedule: 'A week is read from iCalendar (.ics) or a schedule feed.',
  },
}

function of(advice: string): Record<Door, string> {
  return { import: advice, holidays: advice, schedule: advice }
}

const NAMES: Readonly<Partial<Record<FileKind, string>>> = {
  'old spreadsheet': 'a spreadsheet',
  zip: 'a zip archive',
  gzip: 'a gzip file',
  estimate: 'an estimate',
  JSON: 'a JSON file of another kind',
  YAML: 'a YAML file',
  calendar: 'an iCalendar file',
}

/** What to say of a known kind of file in the wrong place; undefined where it is to be read. */
export function wrongDoor(start: Uint8Array, name: string, door: Door): FileIssue | undefined {
  const kind = knownKind(start, name)
  const advice = kind && ADVICE[kind][door]
  if (advice === undefined) return undefined
  return {
    code: 'other-kind',
    pointer: '',
    problem: `This is ${NAMES[kind!] ?? `a ${kind!}`}.`,
    expected: advice,
  }
}
