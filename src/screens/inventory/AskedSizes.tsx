'use client'

import type { AskedSize } from '../../files/inventory/inventory.ts'
import { AskedList } from './AskedList'

interface AskedSizesProps {
  readonly sizes: readonly AskedSize[]
  readonly confirmed: ReadonlyMap<string, string>
  readonly onConfirm: (key: string, size: string) => void
}

/** Sizes that the price book does not know by name: the nearest that has as much stands in, until another is chosen. */
export const AskedSizes = ({ sizes, confirmed, onConfirm }: AskedSizesProps) => (
  <AskedList
    title="Sizes to confirm"
    nothing="nothing there has as much"
    unsaid="say which"
    items={sizes.map(({ key, text, provider, candidates, rows }) => ({
      key,
      text,
      small: `${rows === 1 ? '1 row' : `${rows} rows`}, ${provider}`,
      label: `Size for ${text}`,
      options: candidates,
      value: confirmed.get(key) ?? candidates[0]?.id,
    }))}
    onSay={onConfirm}
  />
)
