import Joi from 'joi'
import {
  isCommand,
  isPackageName,
  isPublicKey,
  LONGEST_COMMAND,
  MOST_COMMANDS,
  MOST_PACKAGES,
  type Setup,
} from '../../core/machine/setup.ts'
import { listOf, textRule, timeZone } from '../reading/rules.ts'

/** What a machine does at its first start. */
export const setup: Joi.ObjectSchema<Setup> = Joi.object({
  publicKey: textRule(
    isPublicKey,
    'a public key on one line, such as "ssh-ed25519 AAAA…"; never a private one',
  ),
  packages: listOf(textRule(isPackageName, 'names of packages, such as "nginx"'), MOST_PACKAGES).unique(),
  commands: listOf(
    textRule(isCommand, `commands of one line each, at most ${LONGEST_COMMAND} letters`),
    MOST_COMMANDS,
  ),
  timeZone,
})
