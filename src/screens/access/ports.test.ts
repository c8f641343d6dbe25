import fc from 'fast-check'
import { expect, test } from 'vitest'
import { formatPorts, parsePorts } from './ports.ts'

test.each([
  ['22', { first: 22, last: 22 }],
  [' 8000 - 8080 ', { first: 8_000, last: 8_080 }],
  ['8000–8080', { first: 8_000, last: 8_080 }],
  ['1-65535', { first: 1, last: 65_535 }],
])('%s is a port or a range of them', (text, ports) => expect(parsePorts(text)).toEqual(ports))

test.each(['', '0', '65536', '8080-8000', '22,80', 'ssh', '-22', '22-', '1-2-3', '22.5'])(
  '%s is none',
  (text) => expect(parsePorts(text)).toBeUndefined(),
)

test('what is written is read again', () => {
  const port = fc.integer({ min: 1, max: 65_535 })
  fc.assert(
    fc.property(port, port, (a, b) => {
      const ports = { first: Math.min(a, b), last: Math.max(a, b) }
      expect(parsePorts(formatPorts(ports))).toEqual(ports)
    }),
  )
})
