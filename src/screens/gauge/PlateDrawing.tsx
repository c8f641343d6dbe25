'use client'

import { memo } from 'react'
import type { CostAxis } from './axis.ts'
import type { Cluster } from './clusterNotches.ts'
import * as S from './GaugePlate.styles'
import { isOpen, type Notch } from '../../core/notches/plate.ts'

interface PlateDrawingProps {
  readonly clusters: readonly Cluster[]
  readonly axis: CostAxis
  readonly near: readonly (Notch | undefined)[]
}

const ONE_SLOT = 'M-4.500 6v8a4.500 4.500 0 0 0 9 0v-8z'
const MANY_SLOT = 'M-9 6v9a4 4 0 0 0 4 4h10a4 4 0 0 0 4-4v-9z'

/**
 * A steel plate: open choices are slots cut from above, those that bring other changes are only scored, closed ones are
 * crosses, the present one holds the pin.
 */
export const PlateDrawing = memo(function PlateDrawing({ clusters, axis, near }: PlateDrawingProps) {
  const left = Math.max(0, Math.min(axis.line, ...clusters.map(({ x }) => x)) - 18)
  const right = Math.min(axis.width, Math.max(axis.line, ...clusters.map(({ x }) => x)) + 18)
  return (
    <S.Drawing width={axis.width} height={32} aria-hidden="true">
      <rect data-shape="steel" x={left} y={6} width={right - left} height={19} rx={3} />
      {clusters.map((cluster) => (
        <g key={cluster.key} style={{ transform: `translateX(${cluster.x}px)` }}>
          <Shape cluster={cluster} isNear={cluster.notches.some((notch) => near.includes(notch))} />
        </g>
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
    .map(({ key, x, notches, isPresent, open }) => {
      const isNear = notches.some((notch) => near.includes(notch))
      return [key, Math.round(x * 10), notches.length, isPresent, open, isNear, notches.some(isOpen)].join()
    })
    .join(' ')

function Shape({ cluster, isNear }: { readonly cluster: Cluster; readonly isNear: boolean }) {
  const { notches, isPresent, open } = cluster
  const many = notches.length > 1
  const scored = !notches.some(isOpen)
  return (
    <>
      {isPresent ? (
        <path data-shape="pin" d="M-5 1h10v18a5 5 0 0 1-10 0z" />
      ) : open ? (
        <path
          data-shape="cut"
          data-near={isNear || undefined}
          data-scored={scored || undefined}
          d={many ? MANY_SLOT : ONE_SLOT}
        />
      ) : (
        !many && <path data-shape="cross" d="M-3.500 12l7 7m0-7l-7 7" />
      )}
      {many && (
        <text y={isPresent ? 15 : open ? 16 : 20} data-present={isPresent || undefined}>
          {open || isPresent ? notches.length : `×${notches.length}`}
        </text>
      )}
    </>
  )
}
