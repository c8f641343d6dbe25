import type { InboundRule } from '../../core/machine/access.ts'
import { formatPorts } from '../access/ports.ts'

/** `tcp 443 from anyone`. */
export function portsText({ protocol, ports, from }: InboundRule): string {
  const source = from === 'anyone' ? 'anyone' : from === 'own-network' ? 'its own network' : from.join(', ')
  return `${[protocol, ports && formatPorts(ports)].filter(Boolean).join(' ')} from ${source}`
}
