'use client'

import type { AskedValue } from '../../files/inventory/inventory.ts'
import { AskedList } from './AskedList'
import { FIELD_NAMES } from './fieldNames.ts'

interface AskedValuesProps {
  readonly values: readonly AskedValue[]
  readonly meant: ReadonlyMap<string, string>
  readonly onMean: (key: string, id: string) => void
}

/** The person’s word where it still names something, else what is proposed. */
const valueOf = ({ key, options, proposed }: AskedValue, meant: ReadonlyMap<string, string>) => {
  const said = meant.get(key)
  return options.some(({ id }) => id === said) ? said : proposed
}

/** Words of the table that name nothing there is: what each means. */
export const AskedValues = ({ values, meant, onMean }: AskedValuesProps) => (
  <AskedList
    title="Words to confirm"
    nothing="there is nothing that it could mean"
    unsaid="say what it means"
    items={values.map((asked) => ({
      key: asked.key,
      text: `“${asked.text}”`,
      small: [FIELD_NAMES[asked.field], asked.rows === 1 ? '1 row' : `${asked.rows} rows`, asked.provider]
        .filter(Boolean)
        .join(', '),
      label: `Meaning of ${asked.text}`,
      options: asked.options,
      value: valueOf(asked, meant),
    }))}
    onSay={onMean}
  />
)
