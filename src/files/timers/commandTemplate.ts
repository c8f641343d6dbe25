import { PLACEHOLDERS, type Placeholder } from './placeholders.ts'

/** The longest command that is taken. */
const LONGEST_TEMPLATE = 500

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
  const unknown = /\{([^{}]*)\}/g
  for (const [, name] of template.matchAll(unknown)) {
    if (!PLACEHOLDERS.includes(name as Placeholder)) {
      return `{${name}} is not known. What can be filled in: ${PLACEHOLDERS.map((each) => `{${each}}`).join(', ')}.`
    }
  }
  if (!template.includes('{machine}'))
    return 'The command does not say {machine}, so it would switch all machines alike.'
  return quoteProblem(template)
}

/** Walks the text as a shell reads quotes (POSIX, section 2.2). */
function quoteProblem(template: string): string | undefined {
  let quote = ''
  for (let i = 0; i < template.length; i += 1) {
    const char = template[i]!
    if (char === '\\' && quote !== "'") {
      if (i === template.length - 1)
        return 'The command ends in a backslash, which would join it to the next line.'
      i += 1
    } else if (quote === '' && (char === "'" || char === '"')) quote = char
    else if (char === quote) quote = ''
    else if (char === '{' && quote !== '') {
      const [name] = /^\{[a-z]+\}/.exec(template.slice(i)) ?? []
      if (name) return `Write ${name} without quotes around it: it is quoted when it is filled in.`
    }
  }
  return quote === '' ? undefined : `A quote (${quote}) is opened and not closed.`
}

/** A word that a POSIX shell takes as it is. */
export const shellQuote = (text: string): string =>
  /^[A-Za-z0-9_./:@%+=-]+$/.test(text) ? text : `'${text.replaceAll("'", `'\\''`)}'`

/** The command with names filled in, each as one quoted word. The template has passed `templateProblem`. */
export const fillTemplate = (template: string, words: Readonly<Record<Placeholder, string>>): string =>
  template.replace(/\{([a-z]+)\}/g, (_, name: Placeholder) => shellQuote(words[name]))
