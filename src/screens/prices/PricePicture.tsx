'use client'

import { useEffect, useRef } from 'react'
import styled from 'styled-components'

const GAP = 1
/** Cells are larger where there are few. */
const ROOM = 340
const MOST = 16
const LEAST = 4

/** A cell for each size in each place, filled where it has a price there. */
export function PricePicture({ picture }: { readonly picture: readonly string[] }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const width = picture[0]?.length ?? 0
  const across = Math.max(LEAST, Math.min(MOST, Math.floor(ROOM / Math.max(1, width))))
  const down = Math.max(8, Math.min(MOST, across))
  useEffect(() => {
    const drawing = canvas.current?.getContext('2d')
    if (!drawing || !canvas.current) return
    const style = getComputedStyle(canvas.current)
    const [sold, not] = [style.getPropertyValue('--run'), style.getPropertyValue('--plate')]
    picture.forEach((line, y) => {
      for (let x = 0; x < line.length; x++) {
        drawing.fillStyle = line[x] === 'x' ? sold : not
        drawing.fillRect(x * across, y * down, across - GAP, down - GAP)
      }
    })
  }, [picture, across, down])
  const missing = picture.reduce((sum, line) => sum + [...line].filter((cell) => cell !== 'x').length, 0)
  return (
    <Picture
      ref={canvas}
      role="img"
      aria-label={`Sizes across, places down; ${missing} have no price`}
      width={Math.max(LEAST, width * across)}
      height={picture.length * down}
    />
  )
}

const Picture = styled.canvas`
  display: block;
  max-width: 100%;
  height: auto;
  min-height: 24px;
  image-rendering: pixelated;
`
