import { isTimeZone } from '../core/calendar/zoneOffsets.ts'
import { billCsv } from '../files/bill/billCsv.ts'
import { billReport } from '../files/bill/billReport.ts'
import { billTable, troubleLine } from '../files/bill/billTable.ts'
import { billOf } from './billInputs.ts'
import type { CommandRun } from './CommandRun.ts'

export const BILL_FORMATS = ['table', 'json', 'csv'] as const

export interface BillReadOptions {
  readonly format: (typeof BILL_FORMATS)[number]
  readonly zone: string
  readonly recipe?: readonly string[]
}

/** Prints what a bill holds. What is wrong with rows is said on standard error; what is no bill ends with status 2. */
export async function billReadCommand(
  paths: readonly string[],
  { format, zone, recipe }: BillReadOptions,
  run: CommandRun,
): Promise<void> {
  if (!isTimeZone(zone)) run.refuse([`--zone ${zone}: not a time zone. Expected: one such as Europe/Lisbon.`])
  const reading = await billOf(paths, { timeZone: zone }, run, recipe)
  switch (format) {
    case 'json':
      run.print(`${JSON.stringify(billReport(reading, zone), null, 2)}\n`)
      break
    case 'csv':
      run.print(billCsv(reading, zone))
      break
    case 'table':
      return run.print(billTable(reading))
  }
  for (const trouble of reading.troubles) run.complain(`${troubleLine(trouble)}\n`)
}
