import { Layout, LayoutInfo, Rect, Size } from 'react-stately/useVirtualizerState'
import type { Collection, Key } from '@react-types/shared'

/** A row that is nothing but its index. */
export interface IndexedRow {
  readonly index: number
}

/** Rows of one height, one under the other: what is seen is reckoned from where the view stands. */
export class IndexLayout extends Layout<IndexedRow> {
  constructor(private readonly rowHeight: number) {
    super()
  }

  override getVisibleLayoutInfos(rect: Rect): LayoutInfo[] {
    const count = this.virtualizer?.collection.size ?? 0
    const first = Math.max(0, Math.floor(rect.y / this.rowHeight))
    const last = Math.min(count - 1, Math.ceil(rect.maxY / this.rowHeight))
    const infos = new Map<Key, LayoutInfo>()
    for (let index = first; index <= last; index += 1) infos.set(index, this.infoAt(index))
    for (const key of this.virtualizer?.persistedKeys ?? []) {
      if (Number(key) < count) infos.set(key, infos.get(key) ?? this.infoAt(Number(key)))
    }
    return [...infos.values()]
  }

  override getLayoutInfo(key: Key): LayoutInfo {
    return this.infoAt(Number(key))
  }

  override getContentSize(): Size {
    const { size = 0 } = this.virtualizer?.collection ?? {}
    return new Size(this.virtualizer?.visibleRect.width ?? 0, size * this.rowHeight)
  }

  private infoAt(index: number): LayoutInfo {
    const width = this.virtualizer?.visibleRect.width ?? 0
    return new LayoutInfo('row', index, new Rect(0, index * this.rowHeight, width, this.rowHeight))
  }
}

/** A collection of `size` rows whose keys are their indexes: a hundred thousand of them cost nothing. */
export function indexCollection(size: number): Collection<IndexedRow> {
  const within = (index: number): number | null => (index >= 0 && index < size ? index : null)
  const item = (key: Key): IndexedRow | null => (within(Number(key)) === null ? null : { index: Number(key) })
  return {
    size,
    *getKeys() {
      for (let index = 0; index < size; index += 1) yield index
    },
    *[Symbol.iterator]() {
      for (let index = 0; index < size; index += 1) yield { index }
    },
    getItem: item,
    at: item,
    getKeyBefore: (key) => within(Number(key) - 1),
    getKeyAfter: (key) => within(Number(key) + 1),
    getFirstKey: () => within(0),
    getLastKey: () => within(size - 1),
  }
}
