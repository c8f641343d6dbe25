import { Command } from 'commander'
import { compareReports, type Compared } from '../files/estimate/compareReports.ts'
import type { CommandRun } from './CommandRun.ts'
import {
  digitsOf,
  digitsOption,
  questionOf,
  reportOf,
  sayUnpriced,
  withCommonOptions,
  type CommonOptions,
} from './inputs.ts'

const cells = ({ before = '', after = '', difference = '' }: Compared): string[] => [
  before,
  after,
  difference,
]

/** `compare A B`: two plans of one month, line by line. */
export const compareCommand = (run: CommandRun): Command =>
  withCommonOptions(
    new Command()
      .name('estimate compare')
      .description('Compares two plans for one month, line by line: what is not the same, and by how much.')
      .argument('<before>', 'plan file')
      .argument('<after>', 'plan file'),
  )
    .addOption(digitsOption())
    .action((before: string, after: string, options: CommonOptions & { readonly digits: string }) => {
      const [then, now] = [before, after].map((path) => reportOf(run, path, questionOf(run, path, options)))
      const { machines, same, total } = compareReports(then!, now!, digitsOf(options.digits))
      const rows = [
        ['', 'before', 'after', 'difference', ''],
        ...machines.flatMap(({ name, currency, lines, ...own }) => [
          [name, ...cells(own), currency],
          ...lines.map(({ what, ...line }) => [`  ${what}`, ...cells(line), '']),
        ]),
        ['total', ...cells(total), total.currency],
      ]
      const widths = rows[0]!.map((_, column) => Math.max(...rows.map((row) => row[column]!.length)))
      const text = rows.map((row) =>
        row
          .map((cell, column) =>
            column === 0 ? cell.padEnd(widths[column]!) : cell.padStart(widths[column]!),
          )
          .join('  ')
          .trimEnd(),
      )
      run.print(`${text.join('\n')}\n\n${same} of the machines are the same in both.\n`)
      for (const report of [then!, now!]) sayUnpriced(run, report)
    })
