import { describe, expect, test } from 'vitest'
import { Rect } from 'react-stately/useVirtualizerState'
import { indexCollection, IndexLayout } from './indexLayout.ts'

const HEIGHT = 26

/** A layout as the virtualizer holds it: a collection, what is seen, and what must stay. */
function layoutOf(size: number, persisted: readonly number[] = []): IndexLayout {
  const layout = new IndexLayout(HEIGHT)
  layout.virtualizer = {
    collection: indexCollection(size),
    visibleRect: new Rect(0, 0, 500, 260),
    persistedKeys: new Set(persisted),
  } as never
  return layout
}

const keys = (layout: IndexLayout, y: number, height = 260): number[] =>
  layout.getVisibleLayoutInfos(new Rect(0, y, 500, height)).map(({ key }) => Number(key))

describe('rows of one height', () => {
  test('only those that are seen are laid out, however many there are', () => {
    const layout = layoutOf(1_000_000)
    expect(keys(layout, 0)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10])
    expect(keys(layout, 500_000 * HEIGHT)[0]).toBe(500_000)
    expect(keys(layout, 1_000_000 * HEIGHT - 260).at(-1)).toBe(999_999)
    expect(layout.getContentSize().height).toBe(26_000_000)
  })

  test('a row that must stay is there wherever the view stands, and once', () => {
    expect(keys(layoutOf(1_000, [700]), 0)).toContain(700)
    expect(keys(layoutOf(1_000, [3]), 0).filter((key) => key === 3)).toHaveLength(1)
    expect(keys(layoutOf(10, [700]), 0)).not.toContain(700)
  })

  test('each stands where its index says', () => {
    const { rect } = layoutOf(100).getLayoutInfo(7)
    expect([rect.x, rect.y, rect.width, rect.height]).toEqual([0, 7 * HEIGHT, 500, HEIGHT])
  })

  test('none are nothing', () => {
    expect(keys(layoutOf(0), 0)).toEqual([])
    expect(layoutOf(0).getContentSize().height).toBe(0)
  })
})

describe('a collection of indexes', () => {
  const rows = indexCollection(3)

  test('goes from the first to the last and no further', () => {
    expect([...rows.getKeys()]).toEqual([0, 1, 2])
    expect([...rows].map(({ index }) => index)).toEqual([0, 1, 2])
    expect([rows.getFirstKey(), rows.getLastKey()]).toEqual([0, 2])
    expect([rows.getKeyBefore(0), rows.getKeyBefore(2)]).toEqual([null, 1])
    expect([rows.getKeyAfter(1), rows.getKeyAfter(2)]).toEqual([2, null])
    expect([rows.getItem(1), rows.getItem(3), rows.at(-1)]).toEqual([{ index: 1 }, null, null])
  })

  test('of nothing has neither first nor last', () => {
    const nothing = indexCollection(0)
    expect([nothing.getFirstKey(), nothing.getLastKey(), nothing.size]).toEqual([null, null, 0])
  })
})
