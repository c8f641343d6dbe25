import ipaddr from 'ipaddr.js'

export const PROTOCOLS = ['tcp', 'udp', 'icmp'] as const
export const SIGN_INS = ['key', 'password'] as const

/** How a machine is reached and who signs in. No secret is part of it. */
export interface Access {
  /** The name that the machine calls itself. */
  readonly hostName?: string
  /** The account that signs in first. */
  readonly administrator?: string
  readonly signIn?: (typeof SIGN_INS)[number]
  readonly inbound?: readonly InboundRule[]
}

/** What may come in from where. */
export interface InboundRule {
  readonly protocol: (typeof PROTOCOLS)[number]
  /** First and last port; none for icmp. */
  readonly ports?: { readonly first: number; readonly last: number }
  /** Anyone, the machine's own network, or ranges in CIDR notation (RFC 4632, RFC 4291). */
  readonly from: 'anyone' | 'own-network' | readonly string[]
}

export const MOST_INBOUND_RULES = 100
export const MOST_RANGES = 50

/** True for an IPv4 or IPv6 range such as 198.51.100.0/24 or 2001:db8::/32 whose host bits are zero. */
export function isRange(text: string): boolean {
  if (!ipaddr.isValidCIDR(text)) return false
  const [address, bits] = ipaddr.parseCIDR(text)
  const bytes = address.toByteArray()
  return bytes.every((byte, i) => (byte & hostMask(bits - i * 8)) === 0)
}

/** The bits of a byte that are left to the host, when so many bits of it belong to the network. */
const hostMask = (bits: number): number => (bits >= 8 ? 0 : bits <= 0 ? 0xff : 0xff >> bits)

/** A range so wide that it is the whole of its protocol's addresses. */
const isEverything = (range: string): boolean => ipaddr.isValidCIDR(range) && ipaddr.parseCIDR(range)[1] === 0

/** True where any address of the world may come in. */
export const isOpenToAll = ({ from }: InboundRule): boolean =>
  from === 'anyone' || (from !== 'own-network' && from.some(isEverything))

/** Ranges that are not reached from outside: RFC 1918, RFC 4193, RFC 6598 and those of one computer or link. */
const NOT_PUBLIC = ['private', 'uniqueLocal', 'loopback', 'linkLocal', 'carrierGradeNat']

/** True where an address outside private networks may come in. */
export const letsPublicIn = ({ from }: InboundRule): boolean =>
  from === 'anyone' ||
  (from !== 'own-network' &&
    from.some(
      (range) => ipaddr.isValidCIDR(range) && !NOT_PUBLIC.includes(ipaddr.parseCIDR(range)[0].range()),
    ))

export const letsIn = ({ protocol, ports }: InboundRule, port: number): boolean =>
  protocol === 'tcp' && ports !== undefined && ports.first <= port && port <= ports.last
