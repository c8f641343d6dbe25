import { PLACEHOLDERS, type Placeholder } from './placeholders.ts'

/** The longest command that is taken. */
export const LONGEST_TEMPLATE = 500

/**
 * Why a command template will not do, as a sentence; undefined where it will. It is the person's own shell command, so
 * quotes, pipes and semicolons are theirs to use; what would break the script around it, or the quoting of names, is
 * refused.
 */
export function templateProblem(template: string): string | undefined {
  if (template.trim() === '') return 'Write the command that switches one machine, with {machine} in it.'
  if (template.length > LONGEST_TEMPLATE)
    return `The command is longer than ${LONGEST_TEMPLATE} characters. Put it into a script and call that.`
  if (/\p{Cc}|\p{Zl}|\p{Zp}/u.test(template))
    return 'The command must be on one line, without control characters. Join commands with && or call a script.'
  // ${…} is the shell's own.
  const unknown = /(?<!\$)\{([^{}]*)\}/g
  for (const [, name] of template.matchAll(unknown)) {
    if (!PLACEHOLDERS.includes(name as Placeholder)) {
      return `{${name}} is not known. What can be filled in: ${PLACEHOLDERS.map((each) => `{${each}}`).join(', ')}.`
    }
  }
  if (!/(?<!\$)\{machine\}/.test(template))
    return 'The command does not say {machine}, so it would switch all machines alike.'
  return quoteProblem(template)
}

/** Where the shell reads what is filled in a second time, or not as words: its quotes would not hold there. */
const NOT_HERE = {
  '`': 'Write $(…) in place of backticks: in those, names that are filled in lose their quoting.',
  '$((': 'A name cannot stand in arithmetic, $((…)): the shell would work it out.',
  '${': 'A name cannot stand inside ${…}: its quoting would not hold there. Write it outside.',
  '<<': 'A here-document cannot stand in one line. Put the command into a script and call that.',
} as const

/** Walks the text as a shell reads quotes (POSIX, section 2.2) and what begins where it expands words (section 2.6). */
function quoteProblem(template: string): string | undefined {
  let quote = ''
  const open: (keyof typeof NOT_HERE)[] = []
  for (let i = 0; i < template.length; i += 1) {
    const char = template[i]!
    const ahead = template.slice(i)
    const [name] = /^\{[a-z]+\}/.exec(ahead) ?? []
    if (char === '\\' && quote !== "'") {
      if (i === template.length - 1)
        return 'The command ends in a backslash, which would join it to the next line.'
      i += 1
    } else if (name && quote !== '') {
      return `Write ${name} without quotes around it: it is quoted when it is filled in.`
    } else if (name && open.length > 0) return NOT_HERE[open.at(-1)!]
    else if (name) i += name.length - 1
    else if (quote === "'") quote = char === "'" ? '' : quote
    else if (char === '`') {
      if (open.includes('`')) open.splice(open.indexOf('`'))
      else open.push('`')
    } else if (ahead.startsWith('$((')) {
      open.push('$((')
      i += 2
    } else if (ahead.startsWith('${')) {
      open.push('${')
      i += 1
    } else if (open.at(-1) === '$((' && ahead.startsWith('))')) {
      open.pop()
      i += 1
    } else if (open.at(-1) === '${' && char === '}') open.pop()
    else if (quote === '' && ahead.startsWith('<<')) return NOT_HERE['<<']
    else if (quote === '' && (char === "'" || char === '"')) quote = char
    else if (char === quote) quote = ''
  }
  if (quote !== '') return `A quote (${quote}) is opened and not closed.`
  return againProblem(template)
}

/** Words that hand their own words to a shell, which reads them again without their quotes. */
const READS_AGAIN =
  /(?:^|[\s;&|({`])(eval|(?:ba|da|k|z|a|c|tc|fi)?sh\s+(?:-\S+\s+)*-\S*c|su\s+.*-\S*c)\s[^;&|]*\{[a-z]+\}/

function againProblem(template: string): string | undefined {
  const [, word] = READS_AGAIN.exec(template) ?? []
  return word === undefined
    ? undefined
    : `“${word}” reads its words a second time, and names that are filled in lose their quoting. Put the command into a script and call that with {machine}.`
}

/** A word that a POSIX shell takes as it is. */
export const shellQuote = (text: string): string =>
  /^[A-Za-z0-9_./:@%+=-]+$/.test(text) ? text : `'${text.replaceAll("'", `'\\''`)}'`

/** The command with names filled in, each as one quoted word. The template has passed `templateProblem`. */
export const fillTemplate = (template: string, words: Readonly<Record<Placeholder, string>>): string =>
  template.replace(/(?<!\$)\{([a-z]+)\}/g, (_, name: Placeholder) => shellQuote(words[name]))
