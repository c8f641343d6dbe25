import { MOST_TAGS } from '../../core/machine/plan.ts'
import { roomUnitIn } from '../../core/table/roomUnit.ts'
import type { GiB } from '../../core/quantity/units.ts'
import { asOneLine } from '../reading/oneLine.ts'
import type { CellProblem, InventoryInputs } from './inventory.ts'
import type { InventoryField } from './inventoryFields.ts'
import { parseNumber, parseRoom } from './inventoryNumber.ts'

const MARKS = { '.': 'point', ',': 'comma' } as const
const MOST_VCPU = 4_096
const MOST_ROOM_GIB = 4 * 1024 * 1024

/** One row of a table by the fields that its columns hold, and what is wrong with it. */
export class TableRow {
  readonly problems: CellProblem[] = []

  constructor(
    private readonly cells: readonly string[],
    private readonly inputs: InventoryInputs,
  ) {}

  say(field: InventoryField | undefined, problem: string): void {
    const column = field === undefined ? -1 : this.inputs.mapping.indexOf(field)
    this.problems.push({ column: column < 0 ? undefined : column, problem })
  }

  /** Empty where no column holds the field. */
  text(field: InventoryField): string {
    const column = this.inputs.mapping.indexOf(field)
    return column < 0 ? '' : (this.cells[column] ?? '')
  }

  number(field: InventoryField, says = true): number | undefined {
    const text = this.text(field)
    if (text === '') return undefined
    const value = parseNumber(text, this.inputs.decimal)
    if (value !== undefined && value > 0 && value <= MOST_VCPU) return value
    if (says) this.sayIsNo(field, `number of ${field}`)
    return undefined
  }

  room(field: InventoryField, says = true): GiB | undefined {
    const text = this.text(field)
    if (text === '') return undefined
    const column = this.inputs.mapping.indexOf(field)
    const heading = this.inputs.table.columns[column] ?? ''
    const value = parseRoom(text, this.inputs, { heading, isMemory: field === 'memory' })
    if (value !== undefined && value <= MOST_ROOM_GIB) return value
    if (says) this.sayIsNo(field, `amount in ${this.inputs.unit}`)
    return undefined
  }

  /** As the person wrote it, with the table’s unit where it has none of its own. */
  writtenRoom(field: InventoryField): string {
    const text = this.text(field).trim()
    const column = this.inputs.mapping.indexOf(field)
    const unit = roomUnitIn(this.inputs.table.columns[column] ?? '') ?? this.inputs.unit
    return /[A-Za-z]$/.test(text) ? text : `${text} ${unit}`
  }

  tags(): Record<string, string> {
    const { mapping, table } = this.inputs
    const entries = mapping.flatMap((field, column) => {
      const value = asOneLine(this.cells[column] ?? '', 80)
      const key = asOneLine(table.columns[column]!, 80)
        .replace(/^[^\p{L}\p{N}]+/u, '')
        .slice(0, 40)
      return field === 'tag' && value !== '' && key !== '' ? [[key, value] as const] : []
    })
    return Object.fromEntries(entries.slice(0, MOST_TAGS))
  }

  private sayIsNo(field: InventoryField, what: string): void {
    const mark = MARKS[this.inputs.decimal]
    this.say(field, `“${this.text(field)}” is no ${what}, with a ${mark} for decimals.`)
  }
}
