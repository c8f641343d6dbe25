'use client'

import styled from 'styled-components'
import {
  isOpenToAll,
  isRange,
  letsIn,
  MOST_RANGES,
  PROTOCOLS,
  type InboundRule,
} from '../../core/machine/access.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { formatPorts, parsePorts } from './ports.ts'

interface InboundRowProps {
  readonly rule: InboundRule
  /** Counts from 1. */
  readonly at: number
  readonly onChange: (rule: InboundRule) => void
  readonly onRemove: () => void
}

const FROM_OPTIONS = [
  { id: 'anyone', name: 'anyone', note: 'every address in the world' },
  { id: 'own-network', name: 'own network' },
  { id: 'ranges', name: 'listed ranges' },
]

/** Addresses set aside for documentation: nobody's. */
const FIRST_RANGE = ['192.0.2.0/24']
const SIGN_IN_PORTS = [22, 3389]

/** One rule: protocol, port or range of ports, and from where. */
export function InboundRow({ rule, at, onChange, onRemove }: InboundRowProps) {
  const { protocol, ports, from } = rule
  const isListed = typeof from !== 'string'
  const isUnsafe = isOpenToAll(rule) && SIGN_IN_PORTS.some((port) => letsIn(rule, port))
  const setProtocol = (next: InboundRule['protocol']): void =>
    onChange(
      next === 'icmp'
        ? { protocol: next, from }
        : { protocol: next, ports: ports ?? { first: 443, last: 443 }, from },
    )
  return (
    <tr>
      <td>
        <Dropdown
          label={`Protocol of rule ${at}`}
          value={protocol}
          options={PROTOCOLS.map((id) => ({ id, name: id.toUpperCase() }))}
          onChange={(id) => setProtocol(id as InboundRule['protocol'])}
        />
      </td>
      <td>
        {ports ? (
          <TextInput
            label={`Ports of rule ${at}`}
            value={formatPorts(ports)}
            check={(text) => (parsePorts(text) ? undefined : 'A port such as 22, or 8000-8080; 1 to 65535.')}
            onCommit={(text) => onChange({ ...rule, ports: parsePorts(text)! })}
          />
        ) : (
          'none'
        )}
      </td>
      <td>
        <From>
          <Dropdown
            label={`From where, rule ${at}`}
            value={isListed ? 'ranges' : from}
            options={FROM_OPTIONS}
            onChange={(id) => onChange({ ...rule, from: id === 'ranges' ? FIRST_RANGE : (id as 'anyone') })}
          />
          {isListed && (
            <TextInput
              wide
              label={`Ranges of rule ${at}`}
              value={from.join(', ')}
              check={rangesProblem}
              onCommit={(text) => onChange({ ...rule, from: splitRanges(text) })}
            />
          )}
        </From>
        {isUnsafe && (
          <Warning role="alert">
            Remote sign-in is open to every address in the world.{' '}
            <Button onPress={() => onChange({ ...rule, from: 'own-network' })}>
              Let in the own network alone
            </Button>
          </Warning>
        )}
      </td>
      <td>
        <Button aria-label={`Delete rule ${at}`} onPress={onRemove}>
          Remove
        </Button>
      </td>
    </tr>
  )
}

const splitRanges = (text: string): string[] => [
  ...new Set(text.split(/[\s,]+/).filter((part) => part !== '')),
]

function rangesProblem(text: string): string | undefined {
  const ranges = splitRanges(text)
  if (ranges.length === 0) return 'At least one range, such as 198.51.100.0/24.'
  if (ranges.length > MOST_RANGES) return `At most ${MOST_RANGES} ranges.`
  const bad = ranges.find((range) => !isRange(range))
  return bad === undefined
    ? undefined
    : `“${bad}” is no range: write 198.51.100.0/24 or 2001:db8::/32, host bits zero.`
}

const From = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: start;
`

const Warning = styled.p`
  margin-top: 4px;
  color: var(--leak);
`
