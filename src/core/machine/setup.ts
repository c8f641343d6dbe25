/** What a machine does with itself at its first start. No secret is part of it. */
export interface Setup {
  /** One line of an OpenSSH authorized_keys file. */
  readonly publicKey?: string
  readonly packages?: readonly string[]
  /** Shell commands, one after another. */
  readonly commands?: readonly string[]
  /** IANA zone of its clock. */
  readonly timeZone?: string
}

export const MOST_PACKAGES = 200
export const MOST_COMMANDS = 100
export const LONGEST_COMMAND = 1_000

const KEY_SORTS =
  'ssh-ed25519|ssh-rsa|ecdsa-sha2-nistp(?:256|384|521)|sk-ssh-ed25519@openssh\\.com|sk-ecdsa-sha2-nistp256@openssh\\.com'
const PUBLIC_KEY = new RegExp(`^(?:${KEY_SORTS}) [A-Za-z0-9+/]{40,3000}={0,3}(?: [\\x21-\\x7e]{1,100})?$`)

/** True for a public key as `ssh-keygen` writes it, with or without a comment: RFC 4253, section 6.6, in base64. */
export const isPublicKey = (text: string): boolean => PUBLIC_KEY.test(text)

/** True for names that Linux distributions give packages, with or without a version. */
export const isPackageName = (text: string): boolean => /^[A-Za-z0-9][A-Za-z0-9+.:~=_@/-]{0,99}$/.test(text)

/** True for one line without control characters. */
export const isCommand = (text: string): boolean =>
  text.length <= LONGEST_COMMAND && /^[^\p{Cc}\p{Zl}\p{Zp}]+$/u.test(text)
