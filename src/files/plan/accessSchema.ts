import Joi from 'joi'
import { isRange, MOST_INBOUND_RULES, MOST_RANGES, PROTOCOLS, SIGN_INS } from '../../core/machine/access.ts'
import { label, listOf, textRule } from '../reading/rules.ts'

const MOST_PORT = 65_535

const port = Joi.number().integer().min(1).max(MOST_PORT)

const range = textRule(isRange, 'a range such as "198.51.100.0/24" or "2001:db8::/32", host bits zero')

const inbound = Joi.object({
  protocol: Joi.valid(...PROTOCOLS).required(),
  ports: Joi.object({ first: port.required(), last: port.min(Joi.ref('first')).required() }).when(
    'protocol',
    {
      is: 'icmp',
      then: Joi.forbidden(),
      otherwise: Joi.required(),
    },
  ),
  from: Joi.alternatives()
    .try(Joi.valid('anyone', 'own-network'), listOf(range, MOST_RANGES).min(1).unique())
    .required(),
})

/** How a machine is reached. Names that an image would not take are for the watch list to find, not for a file to fail on. */
export const access = Joi.object({
  hostName: label(80),
  administrator: label(80),
  signIn: Joi.valid(...SIGN_INS),
  inbound: listOf(inbound, MOST_INBOUND_RULES),
})
