'use client'

import {
  useEffect,
  useRef,
  useState,
  type CSSProperties,
  type PointerEvent as ReactPointerEvent,
  type RefObject,
} from 'react'
import type { FieldPart } from '../../core/market/fieldPart.ts'
import { moved, within, zoomed } from './zoomed.ts'

/** Less far a hand has pressed, and not drawn. */
const LEAST_DRAG = 5

interface Point {
  readonly x: number
  readonly y: number
}

interface FieldGestures {
  /** Where the lasso stands, while one is drawn. */
  readonly lasso: CSSProperties | undefined
  readonly handlers: Pick<
    React.DOMAttributes<HTMLDivElement>,
    'onPointerDown' | 'onPointerMove' | 'onPointerUp' | 'onPointerCancel' | 'onClickCapture'
  >
}

/**
 * Moves and zooms what is shown: dragging moves it, two fingers and the wheel zoom about where they are, and drawing with
 * Shift held looks at what is drawn around. Presses that were none reach the marks.
 */
export function useFieldGestures(
  field: RefObject<HTMLElement | null>,
  part: FieldPart,
  onPart: (part: FieldPart) => void,
): FieldGestures {
  const pointers = useRef(new Map<number, Point>())
  const began = useRef<{ part: FieldPart; points: Map<number, Point>; isLasso: boolean } | undefined>(
    undefined,
  )
  const dragged = useRef(false)
  const [drawn, setDrawn] = useState<{ from: Point; to: Point }>()
  const latest = useRef({ part, onPart })
  useEffect(() => {
    latest.current = { part, onPart }
  })
  const shareOf = ({ clientX, clientY }: { clientX: number; clientY: number }): Point => {
    const box = field.current!.getBoundingClientRect()
    return { x: (clientX - box.left) / box.width, y: (clientY - box.top) / box.height }
  }
  useEffect(() => {
    const target = field.current
    if (!target) return undefined
    // Not passive, as React's own listeners are: the page must stay where it is.
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault()
      const box = target.getBoundingClientRect()
      const at = { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height }
      const now = latest.current
      now.onPart(zoomed(now.part, Math.exp(event.deltaY / 500), at.x, at.y))
    }
    target.addEventListener('wheel', onWheel, { passive: false })
    return () => target.removeEventListener('wheel', onWheel)
  }, [field])
  const begin = (event: ReactPointerEvent<HTMLDivElement>): void => {
    if (event.button !== 0) return
    pointers.current.set(event.pointerId, shareOf(event))
    dragged.current = false
    began.current = { part, points: new Map(pointers.current), isLasso: event.shiftKey }
  }
  const move = (event: ReactPointerEvent<HTMLDivElement>): void => {
    const start = began.current
    if (!start || !pointers.current.has(event.pointerId)) return
    pointers.current.set(event.pointerId, shareOf(event))
    const box = field.current!.getBoundingClientRect()
    const ids = [...start.points.keys()]
    const [first, second] = ids.map((id) => ({ from: start.points.get(id)!, to: pointers.current.get(id)! }))
    if (!first) return
    const far = Math.hypot((first.to.x - first.from.x) * box.width, (first.to.y - first.from.y) * box.height)
    if (!dragged.current && !second && far < LEAST_DRAG) return
    if (!dragged.current) event.currentTarget.setPointerCapture(event.pointerId)
    dragged.current = true
    if (second) onPart(pinched(start.part, first, second))
    else if (start.isLasso) setDrawn(first)
    else onPart(moved(start.part, first.from.x - first.to.x, first.from.y - first.to.y))
  }
  const end = (event: ReactPointerEvent<HTMLDivElement>): void => {
    pointers.current.delete(event.pointerId)
    if (drawn) {
      onPart(within(part, [drawn.from.x, drawn.to.x], [drawn.from.y, drawn.to.y]))
      setDrawn(undefined)
    }
    began.current =
      pointers.current.size === 0
        ? undefined
        : { part: latest.current.part, points: new Map(pointers.current), isLasso: false }
  }
  return {
    lasso: drawn && lassoStyle(drawn),
    handlers: {
      onPointerDown: begin,
      onPointerMove: move,
      onPointerUp: end,
      onPointerCancel: end,
      // What was dragged was not pressed.
      onClickCapture: (event) => {
        if (dragged.current) event.stopPropagation()
        dragged.current = false
      },
    },
  }
}

interface Moved {
  readonly from: Point
  readonly to: Point
}

const apart = (a: Point, b: Point): number => Math.max(0.02, Math.hypot(a.x - b.x, a.y - b.y))

function pinched(part: FieldPart, first: Moved, second: Moved): FieldPart {
  const factor = apart(first.from, second.from) / apart(first.to, second.to)
  return zoomed(part, factor, (first.from.x + second.from.x) / 2, (first.from.y + second.from.y) / 2)
}

const percent = (share: number): string => `${share * 100}%`

const lassoStyle = ({ from, to }: { from: Point; to: Point }): CSSProperties => ({
  left: percent(Math.min(from.x, to.x)),
  top: percent(Math.min(from.y, to.y)),
  width: percent(Math.abs(from.x - to.x)),
  height: percent(Math.abs(from.y - to.y)),
})
