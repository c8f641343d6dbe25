import { spawnSync } from 'node:child_process'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { fillTemplate, shellQuote, templateProblem } from './commandTemplate.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

test.each([
  'power {action} {machine} {region}',
  'a --name={machine} && b; c | d',
  `say "it's" {machine}`,
  'x \\" {machine}',
  'power $(cat /etc/token) {machine}',
  'power $(echo {machine}) $((1 + 2)) ${HOME} {region}',
  'echo "${HOME}" `hostname` {machine}',
  'evaluate {machine} && retrieval.sh -x {machine}',
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
  ['eval power {machine}', /“eval” reads its words a second time/],
  ['cd /opt; eval "x" {machine}', /“eval” reads/],
  ['sh -c {machine}', /reads its words a second time/],
  ['bash -e -c x {machine}', /reads its words a second time/],
  ['power `echo {machine}`', /in place of backticks/],
  ['power $((1 + {machine}))', /arithmetic/],
  ['power ${machine}', /does not say \{machine\}/],
  ['power ${X:-{machine}}', /inside \$\{…\}/],
  ['power {machine} <<EOF', /here-document/],
])('%j is refused', (template, problem) => {
  expect(templateProblem(template)).toMatch(problem)
})

test.each([
  'x=$(printf %s {machine}); printf %s "$x"',
  'printf %s "$(true)"{machine}',
  'x={machine}; printf %s "$x"',
])('names keep their quoting in %j', (template) => {
  expect(templateProblem(template)).toBeUndefined()
  for (const name of ["a'b", 'a$(id)', '`id`', '"; id; "', '$HOME', '\\']) {
    const command = fillTemplate(template, { machine: name, region: '', action: 'start' })
    expect(spawnSync('sh', ['-c', command], { encoding: 'utf8' }).stdout).toBe(name)
  }
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
    randomRuns(60),
  )
})
