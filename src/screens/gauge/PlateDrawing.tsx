'use client'

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
export function PlateDrawing({ clusters, axis, near }: PlateDrawingProps) {
  const left = Math.max(0, Math.min(axis.line, ...clusters.map(({ x }) => x)) - 18)
  const right = Math.min(axis.width, Math.max(axis.line, ...clusters.map(({ x }) => x)) + 18)
  return (
    <S.Drawing width={axis.width} height={32} aria-hidden="true">
      <S.Steel x={left} y={6} width={right - left} height={19} rx={3} />
      {clusters.map((cluster) => (
        <S.Moving key={cluster.key} style={{ transform: `translateX(${cluster.x}px)` }}>
          <Shape cluster={cluster} isNear={cluster.notches.some((notch) => near.includes(notch))} />
        </S.Moving>
      ))}
    </S.Drawing>
  )
}

function Shape({ cluster, isNear }: { readonly cluster: Cluster; readonly isNear: boolean }) {
  const { notches, isPresent, open } = cluster
  const many = notches.length > 1
  const scored = !notches.some(isOpen)
  return (
    <>
      {isPresent ? (
        <S.Pin d="M-5 1h10v18a5 5 0 0 1-10 0z" />
      ) : open ? (
        <S.Cut $near={isNear} $scored={scored} d={many ? MANY_SLOT : ONE_SLOT} />
      ) : (
        !many && <S.Cross d="M-3.500 12l7 7m0-7l-7 7" />
      )}
      {many && (
        <S.Count y={isPresent ? 15 : open ? 16 : 20} $present={isPresent}>
          {open || isPresent ? notches.length : `×${notches.length}`}
        </S.Count>
      )}
    </>
  )
}
