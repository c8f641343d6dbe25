import { spawnSync } from 'node:child_process'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { fillTemplate, shellQuote, templateProblem } from './commandTemplate.ts'

test.each([
  'power {action} {machine} {region}',
  'a --name={machine} && b; c | d',
  `say "it's" {machine}`,
  'x \\" {machine}',
])('%j will do', (template) => {
  expect(templateProblem(template)).toBeUndefined()
})

test.each([
  ['', /with \{machine\} in it/],
  ['power {action}', /does not say \{machine\}/],
  ['power {host} {machine}', /\{host\} is not known.*\{machine\}, \{region\}, \{action\}/],
  ['power "{machine}"', /without quotes/],
  ["power '{machine}'", /without quotes/],
  ["power {machine} 'open", /opened and not closed/],
  ['power {machine} \\', /backslash/],
  ['power {machine}\nreboot', /one line/],
  ['power {machine}\u2028reboot', /one line/],
  [`power {machine} ${'x'.repeat(500)}`, /longer than 500/],
])('%j is refused', (template, problem) => {
  expect(templateProblem(template)).toMatch(problem)
})

test('any name reaches the command as one word, as it is', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 30 }), (text) => {
      const name = text.replaceAll('\0', '')
      const command = fillTemplate('printf %s {machine}', { machine: name, region: '', action: 'start' })
      // Twice, as in the script: once for the shell that the command is handed to.
      const { stdout } = spawnSync('sh', ['-c', `sh -c ${shellQuote(command)}`], { encoding: 'utf8' })
      expect(stdout).toBe(name)
    }),
    { numRuns: 60 },
  )
})
