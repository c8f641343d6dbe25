import {
  isCommand,
  isPackageName,
  isPublicKey,
  LONGEST_COMMAND,
  MOST_COMMANDS,
  MOST_PACKAGES,
  type Setup,
} from '../../core/machine/setup.ts'
import { listOf, objectOf, textRule, timeZone } from '../reading/rules.ts'

/** What a machine does at its first start. */
export const setup = objectOf<Setup>({
  timeZone,
  commands: listOf(
    textRule(isCommand, `commands of one line each, at most ${LONGEST_COMMAND} letters`, {
      maxLength: LONGEST_COMMAND,
    }),
    MOST_COMMANDS,
  ),
  packages: listOf(
    textRule(isPackageName, 'names of packages, such as "nginx"', { maxLength: 100 }),
    MOST_PACKAGES,
  ).unique(),
  publicKey: textRule(
    isPublicKey,
    'a public key on one line, such as "ssh-ed25519 AAAA…"; never a private one',
    { maxLength: 3_300 },
  ),
})
