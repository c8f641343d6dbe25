import Joi from 'joi'
import {
  isRange,
  MOST_INBOUND_RULES,
  MOST_RANGES,
  SIGN_INS,
  type Access,
  type InboundRule,
} from '../../core/machine/access.ts'
import { label, listOf, need, objectBy, objectOf, tag, textRule } from '../reading/rules.ts'

const MOST_PORT = 65_535

const port = Joi.number().integer().min(1).max(MOST_PORT)

const range = textRule(
  isRange,
  'a range such as "198.51.100.0/24" or "2001:db8::/32", host bits zero',
).description('CIDR notation, host bits zero.')

const from = need(
  Joi.alternatives().try(Joi.valid('anyone', 'own-network'), listOf(range, MOST_RANGES).min(1).unique()),
)

type WithPorts = Required<Pick<InboundRule, 'ports'>> & InboundRule

const ports = need(
  objectOf<WithPorts['ports']>({ first: need(port), last: need(port.min(Joi.ref('first'))) }),
)

const inbound = objectBy<InboundRule>('protocol', {
  tcp: objectOf<WithPorts>({ from, ports, protocol: tag('tcp') }),
  udp: objectOf<WithPorts>({ from, ports, protocol: tag('udp') }),
  icmp: objectOf<InboundRule>({ from, ports: Joi.forbidden(), protocol: tag('icmp') }),
})

/** How a machine is reached. Names that an image would not take are for the watch list to find, not for a file to fail on. */
export const access = objectOf<Access>({
  administrator: label(80),
  hostName: label(80),
  inbound: listOf(inbound, MOST_INBOUND_RULES),
  signIn: Joi.valid(...SIGN_INS),
})
