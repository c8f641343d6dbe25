'use client'

import { ownValue } from '../core/ownValue.ts'
import { useEffect, useId, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { Rect, Size, useVirtualizerState } from 'react-stately/useVirtualizerState'
import styled from 'styled-components'
import { indexCollection, IndexLayout, type IndexedRow } from './indexLayout.ts'

/** The head stays in view over the rows. */
const HEAD_HEIGHT = 26

interface RowGridProps {
  readonly label: string
  readonly count: number
  readonly rowHeight: number
  /** Tracks of a CSS grid for so many pixels, shared by the head and all rows. */
  readonly columns: (width: number) => string
  /** Pixels; in a narrower place the rows scroll sideways. */
  readonly leastWidth: number
  readonly head: ReactNode | ((width: number) => ReactNode)
  /** Cells of a row, each with the role of a grid cell. */
  readonly renderRow: (index: number, width: number) => ReactNode
  readonly active: number | undefined
  readonly onActive: (index: number) => void
  /** Enter, space, or a second press on the active row. */
  readonly onAction?: (index: number) => void
  /** One press acts, as on a row of choices; else the first press only makes it the active one. */
  readonly actsOnPress?: boolean
  /** Space marks rows, where they can be marked. */
  readonly onMark?: (index: number) => void
  readonly isMarked?: (index: number) => boolean
  /** Takes the focus when it appears. */
  readonly autoFocus?: boolean
  readonly whenEmpty: ReactNode
}

/**
 * A table of any length of which only what is seen is drawn. Focus stays on the grid, which names its active row, so
 * that no row that scrolls away takes the focus with it. O(seen) for each step of scrolling.
 */
export function RowGrid(props: RowGridProps) {
  const {
    label,
    count,
    rowHeight,
    columns,
    leastWidth,
    head,
    renderRow,
    active,
    onActive,
    onAction,
    actsOnPress = false,
    onMark,
    isMarked,
    autoFocus,
    whenEmpty,
  } = props
  const id = useId()
  const scroller = useRef<HTMLDivElement>(null)
  const [size, setSize] = useState(() => new Size(0, 0))
  const layout = useMemo(() => new IndexLayout(rowHeight), [rowHeight])
  const collection = useMemo(() => indexCollection(count), [count])
  const persisted = useMemo(() => (active === undefined ? null : new Set([active])), [active])
  const state = useVirtualizerState<IndexedRow, ReactNode>({
    layout,
    collection,
    persistedKeys: persisted,
    renderView: () => null,
    onVisibleRectChange: ({ x, y }) => scroller.current?.scrollTo(x, y),
  })
  const { setVisibleRect, setSize: setContentSize } = state
  useMeasured(scroller, setSize)
  useLayoutEffect(() => {
    const top = scroller.current?.scrollTop ?? 0
    setVisibleRect(new Rect(0, top, size.width, size.height))
    setContentSize(size)
  }, [size, setVisibleRect, setContentSize])
  useEffect(() => {
    if (autoFocus) scroller.current?.focus()
  }, [autoFocus])
  useEffect(() => {
    if (active !== undefined && scroller.current) scrollTo(scroller.current, active, rowHeight)
  }, [active, rowHeight])

  const tracks = columns(size.width)
  const move = (to: number): void => {
    if (count > 0) onActive(Math.min(count - 1, Math.max(0, to)))
  }
  const page = Math.max(1, Math.floor(size.height / rowHeight) - 1)
  const at = active ?? -1
  const keys: Record<string, () => void> = {
    ArrowDown: () => move(at + 1),
    ArrowUp: () => move(at - 1),
    PageDown: () => move(at + page),
    PageUp: () => move(at - page),
    Home: () => move(0),
    End: () => move(count - 1),
    Enter: () => active !== undefined && active < count && onAction?.(active),
    ' ': () => active !== undefined && active < count && (onMark ?? onAction)?.(active),
  }
  return (
    <Frame>
      <Scroller
        ref={scroller}
        role="grid"
        aria-label={label}
        aria-rowcount={count + 1}
        aria-multiselectable={isMarked ? true : undefined}
        aria-activedescendant={active !== undefined && active < count ? `${id}-${active}` : undefined}
        tabIndex={0}
        onKeyDown={(event) => {
          const act = ownValue(keys, event.key)
          if (!act || event.target !== event.currentTarget || event.ctrlKey || event.metaKey) return
          event.preventDefault()
          act()
        }}
        onScroll={({ currentTarget: { scrollTop } }) =>
          setVisibleRect(new Rect(0, scrollTop, size.width, size.height))
        }
      >
        <Head role="row" aria-rowindex={1} style={{ gridTemplateColumns: tracks, minWidth: leastWidth }}>
          {typeof head === 'function' ? head(size.width) : head}
        </Head>
        {count === 0 && <Nothing>{whenEmpty}</Nothing>}
        <div
          role="presentation"
          style={{ height: count * rowHeight, minWidth: leastWidth, position: 'relative' }}
        >
          {state.visibleViews.map(({ key, layoutInfo }) => {
            const index = Number(layoutInfo?.key ?? key)
            if (index >= count) return null
            return (
              <Row
                key={index}
                id={`${id}-${index}`}
                role="row"
                aria-rowindex={index + 2}
                aria-selected={isMarked ? isMarked(index) : index === active}
                data-active={index === active || undefined}
                style={{ top: index * rowHeight, height: rowHeight, gridTemplateColumns: tracks }}
                onClick={() => {
                  if (index !== active) onActive(index)
                  if (index === active || actsOnPress) onAction?.(index)
                }}
              >
                {renderRow(index, size.width)}
              </Row>
            )
          })}
        </div>
      </Scroller>
    </Frame>
  )
}

function useMeasured(ref: React.RefObject<HTMLElement | null>, onSize: (size: Size) => void): void {
  useLayoutEffect(() => {
    const element = ref.current
    if (!element) return
    const measure = (): void => onSize(new Size(element.clientWidth, element.clientHeight))
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(element)
    return () => observer.disconnect()
  }, [ref, onSize])
}

/** As little as brings the row into view; one that is far away comes to the middle. */
function scrollTo(element: HTMLElement, index: number, rowHeight: number): void {
  const top = index * rowHeight
  const { scrollTop } = element
  const clientHeight = element.clientHeight - HEAD_HEIGHT
  const far = top < scrollTop - clientHeight || top > scrollTop + 2 * clientHeight
  if (far) element.scrollTop = top - (clientHeight - rowHeight) / 2
  else if (top < scrollTop) element.scrollTop = top
  else if (top + rowHeight > scrollTop + clientHeight) element.scrollTop = top + rowHeight - clientHeight
}

const Frame = styled.div`
  display: flex;
  flex: 1;
  min-height: 180px;
  min-width: 0;
  border: 1px solid var(--rule);
`

const Scroller = styled.div`
  flex: 1;
  min-width: 0;
  overflow: auto;

  &:focus-visible {
    outline-offset: -1px;
  }
`

const Head = styled.div`
  position: sticky;
  top: 0;
  z-index: 1;
  display: grid;
  gap: 0 10px;
  align-items: center;
  height: ${HEAD_HEIGHT}px;
  padding: 0 10px;
  border-bottom: 1px solid var(--plate-edge);
  font-size: 12px;
  color: var(--ink-2);
  background: var(--paper);
`

const Row = styled.div`
  position: absolute;
  left: 0;
  right: 0;
  display: grid;
  gap: 0 10px;
  align-items: center;
  padding: 0 10px;
  border-bottom: 1px solid var(--rule);
  cursor: pointer;
  contain: strict;

  &:hover {
    background: var(--paper);
  }
  &[data-active] {
    background: var(--plate);
  }
`

const Nothing = styled.p`
  padding: 14px 10px;
  color: var(--ink-2);
`
