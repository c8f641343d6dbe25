import type { Sheet, SheetLine } from './sheet.ts'

/** Text that Markdown (CommonMark, with tables) shows as it is, whatever it holds. */
export const markdownText = (text: string): string =>
  text
    .replace(/[\\`*_[\]<>|~#&]/g, (mark) => `\\${mark}`)
    .replace(/[\r\n]+/g, ' ')
    .replace(/^(\s*)([-+=]|\d+[.)])(?=\s|$)/, '$1\\$2')

/** A sheet as a Markdown document. */
export function sheetMarkdown({ title, about, sections, total, currency, checklists }: Sheet): string {
  const row = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`
  const line = ({ ask, answer, perHour = '', perMonth = '' }: SheetLine): string =>
    row([markdownText(ask), markdownText(answer), perHour, perMonth])
  const tables = sections.flatMap((section) => [
    `## ${markdownText(section.title)}`,
    '',
    row(['asked for', 'answer', `${currency} an hour on`, `${currency} a month`]),
    row(['---', '---', '---:', '---:']),
    ...section.lines.map(line),
    '',
  ])
  const lists = checklists.flatMap((list) => [
    `## ${markdownText(list.title)}`,
    '',
    ...list.items.map((item) => `- [ ] ${markdownText(item)}`),
    '',
  ])
  return [
    `# ${markdownText(title)}`,
    '',
    markdownText(about),
    '',
    ...tables,
    `**In all: ${total.perHour ?? ''} ${currency} an hour when on, ${total.perMonth ?? ''} ${currency} a month.**`,
    '',
    ...lists,
  ].join('\n')
}
