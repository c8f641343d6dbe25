import type { AskedValue } from './inventory.ts'
import type { InventoryField } from './inventoryFields.ts'
import { nearestName, type Meaning } from './nearestName.ts'

/** What tells a word of a table from others: the same word may mean another thing at another provider. */
const keyOf = (field: InventoryField, provider: string, text: string): string =>
  [field, provider, text.trim().toLowerCase()].join('\u0000')

/** Words of a table that name nothing: each asked once for all its rows, with the nearest that there is. */
export class AskedMeanings {
  private readonly asked = new Map<string, AskedValue & { rows: number }>()

  constructor(private readonly meant: ReadonlyMap<string, string>) {}

  get all(): readonly AskedValue[] {
    return [...this.asked.values()]
  }

  /** The id of what the word means, as the person said or as it is proposed; undefined until somebody says. */
  of(
    field: InventoryField,
    text: string,
    provider: { readonly id: string; readonly name: string } | undefined,
    meanings: readonly Meaning[],
  ): string | undefined {
    const key = keyOf(field, provider?.id ?? '', text)
    let value = this.asked.get(key)
    if (!value) {
      const options = meanings.map(({ id, name }) => ({ id, name }))
      const proposed = nearestName(text, meanings)
      value = { key, field, text: text.trim(), provider: provider?.name, options, proposed, rows: 0 }
      this.asked.set(key, value)
    }
    value.rows += 1
    const said = this.meant.get(key)
    return value.options.some(({ id }) => id === said) ? said : value.proposed
  }
}
