import type { Image } from '../catalogue/priceBook.ts'
import type { Access } from './access.ts'

/** What is wrong with a name, with what it would have to be. */
export type NameProblem =
  | { readonly code: 'too-long'; readonly most: number }
  | { readonly code: 'characters'; readonly allowed: 'host' | 'unix' | 'desktop' }
  | { readonly code: 'only-digits' }
  | { readonly code: 'reserved'; readonly name: string }

/** Images that are licensed by their maker follow other rules for names than free ones do. */
export type NameRules = 'unix' | 'desktop'

/** Free images and those of a subscription are of the Unix kind; licensed ones are not. */
export const nameRulesOf = ({ licence }: Pick<Image, 'licence'>): NameRules =>
  licence === undefined ? 'unix' : 'desktop'

/** A label of RFC 1123: letters, digits and inner hyphens. */
const HOST = /^[a-z0-9]([a-z0-9-]*[a-z0-9])?$/i
/** What POSIX calls a portable user name, lower case, as useradd takes it. */
const UNIX_USER = /^[a-z_][a-z0-9_-]*$/
const FORBIDDEN_IN_DESKTOP_USER = /["/\\[\]:;|=,+*?<>@]|\.$/

/** Letters of a host name. */
export const MOST_HOST = { unix: 63, desktop: 15 } as const
const MOST_USER = { unix: 32, desktop: 20 } as const

/** Accounts that exist already: creation fails, or they are not for people. */
const RESERVED = {
  unix: [
    'backup', 'bin', 'daemon', 'games', 'gnats', 'irc', 'list', 'lp', 'mail', 'man', 'messagebus', 'news', 'nobody',
    'operator', 'proxy', 'root', 'sshd', 'sync', 'sys', 'syslog', 'systemd-network', 'uucp', 'www-data',
  ],
  desktop: [
    'administrator', 'con', 'console', 'defaultaccount', 'guest', 'local', 'network', 'none', 'nul', 'owner', 'system',
  ],
} as const satisfies Record<NameRules, readonly string[]> // prettier-ignore

/** Names that will do, and that whoever guesses tries first. */
const GUESSABLE: readonly string[] = [
  'adm', 'admin', 'admin1', 'admin2', 'administrator', 'backup', 'demo', 'guest', 'root', 'server', 'sql', 'support',
  'sysadmin', 'test', 'test1', 'test2', 'test3', 'tester', 'user', 'user1', 'user2', 'user3',
] // prettier-ignore

/** True for an administrator's name that is tried first by whoever guesses. */
export const isGuessable = (name: string): boolean => GUESSABLE.includes(name.toLowerCase())

export function hostNameProblem(name: string, rules: NameRules): NameProblem | undefined {
  if (name.length > MOST_HOST[rules]) return { code: 'too-long', most: MOST_HOST[rules] }
  if (!HOST.test(name)) return { code: 'characters', allowed: 'host' }
  return rules === 'desktop' && /^\d+$/.test(name) ? { code: 'only-digits' } : undefined
}

export function administratorProblem(name: string, rules: NameRules): NameProblem | undefined {
  if (name.length > MOST_USER[rules]) return { code: 'too-long', most: MOST_USER[rules] }
  const isAllowed = rules === 'unix' ? UNIX_USER.test(name) : !FORBIDDEN_IN_DESKTOP_USER.test(name)
  if (!isAllowed) return { code: 'characters', allowed: rules }
  const reserved: readonly string[] = RESERVED[rules]
  return reserved.includes(name.toLowerCase()) ? { code: 'reserved', name } : undefined
}

/** Every name that the image would not take. */
export function accessProblems(
  { hostName, administrator }: Access,
  rules: NameRules,
): { readonly field: 'hostName' | 'administrator'; readonly problem: NameProblem }[] {
  const host = hostName === undefined ? undefined : hostNameProblem(hostName, rules)
  const user = administrator === undefined ? undefined : administratorProblem(administrator, rules)
  return [
    ...(host ? [{ field: 'hostName' as const, problem: host }] : []),
    ...(user ? [{ field: 'administrator' as const, problem: user }] : []),
  ]
}
