import Joi from 'joi'
import { INVENTORY_FIELDS, type InventoryMapping } from '../../files/inventory/inventoryFields.ts'

/** What columns held last time, by the columns' names: the same list comes again next month. */
const KEY = 'notchgauge-inventory-columns'
const MOST_KEPT = 20

interface Remembered {
  readonly columns: readonly string[]
  readonly mapping: readonly (string | null)[]
}

const schema = Joi.array<Remembered[]>()
  .items(
    Joi.object({
      columns: Joi.array().items(Joi.string().allow('')).max(100).required(),
      mapping: Joi.array()
        .items(Joi.valid(...INVENTORY_FIELDS, null))
        .max(100)
        .required(),
    }),
  )
  .max(MOST_KEPT)

function read(): readonly Remembered[] {
  try {
    const { value, error } = schema.validate(JSON.parse(localStorage.getItem(KEY) ?? '[]'), {
      convert: false,
    })
    return error ? [] : value
  } catch {
    return []
  }
}

const isSame = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((each, i) => each === b[i])

export function rememberedMapping(columns: readonly string[]): InventoryMapping | undefined {
  const found = read().find((each) => isSame(each.columns, columns) && each.mapping.length === columns.length)
  return found?.mapping.map((field) => INVENTORY_FIELDS.find((each) => each === field))
}

export function rememberMapping(columns: readonly string[], mapping: InventoryMapping): void {
  const others = read().filter((each) => !isSame(each.columns, columns))
  const own: Remembered = { columns, mapping: mapping.map((field) => field ?? null) }
  try {
    localStorage.setItem(KEY, JSON.stringify([own, ...others].slice(0, MOST_KEPT)))
  } catch {
    // Without room to remember, the next table asks again.
  }
}
