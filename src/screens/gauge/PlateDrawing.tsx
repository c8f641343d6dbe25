'use client'

import { memo, useLayoutEffect, useRef } from 'react'
import type { CostAxis } from '../../core/notches/costAxis.ts'
import type { Cluster } from './clusterNotches.ts'
import * as S from './GaugePlate.styles'
import { isClosed, isOpen, type Notch } from '../../core/notches/plate.ts'

interface PlateDrawingProps {
  readonly clusters: readonly Cluster[]
  readonly axis: CostAxis
  readonly near: readonly (Notch | undefined)[]
}

type ShapeKind = 'cut' | 'near' | 'scored' | 'nearScored' | 'pin'

const ONE_SLOT = 'm-4.500 6v8a4.500 4.500 0 0 0 9 0v-8z'
const MANY_SLOT = 'm-9 6v9a4 4 0 0 0 4 4h10a4 4 0 0 0 4-4v-9z'
const PIN = 'm-5 1h10v18a5 5 0 0 1-10 0z'
const SLIDE_MS = 180

/**
 * A steel plate: open choices are slots cut from above, those that bring other changes are only scored, the present one
 * holds the pin. Closed ones are a thin band along its foot, as far as they reach on either side. All shapes of one kind are one path: a hundred elements would take longer
 * than drawing them.
 */
export const PlateDrawing = memo(function PlateDrawing({ clusters, axis, near }: PlateDrawingProps) {
  const svg = useSlide(clusters, axis)
  const left = Math.max(0, Math.min(axis.line, ...clusters.map(({ x }) => x)) - 18)
  const right = Math.min(axis.width, Math.max(axis.line, ...clusters.map(({ x }) => x)) + 18)
  return (
    <S.Drawing
      ref={svg}
      width={axis.width}
      height={32}
      aria-hidden="true"
      data-slots={clusters.map(({ x }) => Math.round(x)).join(' ')}
    >
      <rect data-shape="steel" x={left} y={6} width={right - left} height={19} rx={3} />
      {closedReach(clusters, axis.line).map(({ from, to }) => (
        <rect key={from} data-shape="closed" x={from} y={21} width={to - from} height={3} />
      ))}
      {[...pathsOf(clusters, near)].map(([kind, path]) => (
        <path key={kind} data-shape={kind} d={path} />
      ))}
      {clusters
        .filter((cluster) => fitting(cluster) > 1)
        .map((cluster) => (
          <text
            key={cluster.key}
            x={cluster.x}
            y={cluster.isPresent ? 15 : 16}
            data-present={cluster.isPresent || undefined}
          >
            {fitting(cluster)}
          </text>
        ))}
    </S.Drawing>
  )
}, sameDrawing)

/** The same shapes in the same places: most plates stay as they are when another one's notch is moved. */
function sameDrawing(a: PlateDrawingProps, b: PlateDrawingProps): boolean {
  return a.axis === b.axis && drawn(a) === drawn(b)
}

const drawn = ({ clusters, near }: PlateDrawingProps): string =>
  clusters
    .map((cluster) => [
      cluster.key,
      Math.round(cluster.x * 10),
      cluster.notches.length,
      fitting(cluster),
      kindOf(cluster, near),
    ])
    .join(' ')

/** Choices of a slot that can be taken, by themselves or with other changes. */
const fitting = ({ notches }: Cluster): number => notches.filter((notch) => !isClosed(notch)).length

interface Reach {
  readonly from: number
  readonly to: number
}

const CLOSED_HALF = 9

/** From the first to the last closed choice on each side of the line. */
function closedReach(clusters: readonly Cluster[], line: number): Reach[] {
  const closed = clusters.filter(({ notches, isPresent }) => !isPresent && notches.some(isClosed))
  return [closed.filter(({ x }) => x < line), closed.filter(({ x }) => x > line)].flatMap((side) =>
    side.length === 0 ? [] : [{ from: side[0]!.x - CLOSED_HALF, to: side.at(-1)!.x + CLOSED_HALF }],
  )
}

function kindOf(
  { notches, isPresent, open }: Cluster,
  near: PlateDrawingProps['near'],
): ShapeKind | undefined {
  if (isPresent) return 'pin'
  if (!open) return undefined
  const isNear = notches.some((notch) => near.includes(notch))
  if (notches.some(isOpen)) return isNear ? 'near' : 'cut'
  return isNear ? 'nearScored' : 'scored'
}

function pathsOf(clusters: readonly Cluster[], near: PlateDrawingProps['near']): Map<ShapeKind, string> {
  const paths = new Map<ShapeKind, string>()
  for (const cluster of clusters) {
    const kind = kindOf(cluster, near)
    if (!kind) continue
    const shape = kind === 'pin' ? PIN : fitting(cluster) > 1 ? MANY_SLOT : ONE_SLOT
    paths.set(kind, `${paths.get(kind) ?? ''}M${cluster.x.toFixed(1)} 0${shape}`)
  }
  return paths
}

/** Slides the plate from where the choice that is now present stood before, unless the person wants less motion. */
function useSlide(clusters: readonly Cluster[], axis: CostAxis): React.RefObject<SVGSVGElement | null> {
  const svg = useRef<SVGSVGElement>(null)
  const before = useRef(clusters)
  useLayoutEffect(() => {
    const from = before.current
    before.current = clusters
    const present = clusters.find(({ isPresent }) => isPresent)
    const notch = present?.notches.find(({ isPresent }) => isPresent)
    const stood = from.find(({ notches }) => notches.some(({ key }) => key === notch?.key))
    if (!stood || stood.isPresent || matchMedia('(prefers-reduced-motion: reduce)').matches) return
    const transform = `translateX(${stood.x - axis.line}px)`
    svg.current?.animate([{ transform }, { transform: 'none' }], { duration: SLIDE_MS, easing: 'ease-out' })
  }, [clusters, axis])
  return svg
}
