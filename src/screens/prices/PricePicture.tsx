'use client'

import { useEffect, useRef } from 'react'
import styled from 'styled-components'

const HEIGHT = 7
const GAP = 1

/** A cell for each size in each place, filled where it has a price there. */
export function PricePicture({ picture }: { readonly picture: readonly string[] }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const width = picture[0]?.length ?? 0
  useEffect(() => {
    const drawing = canvas.current?.getContext('2d')
    if (!drawing || !canvas.current) return
    const style = getComputedStyle(canvas.current)
    const [sold, not] = [style.getPropertyValue('--run'), style.getPropertyValue('--plate')]
    picture.forEach((line, y) => {
      for (let x = 0; x < line.length; x++) {
        drawing.fillStyle = line[x] === 'x' ? sold : not
        drawing.fillRect(x * 4, y * (HEIGHT + GAP), 3, HEIGHT)
      }
    })
  }, [picture])
  const missing = picture.reduce((sum, line) => sum + [...line].filter((cell) => cell !== 'x').length, 0)
  return (
    <Picture
      ref={canvas}
      role="img"
      aria-label={`Sizes across, places down; ${missing} have no price`}
      width={Math.max(4, width * 4)}
      height={picture.length * (HEIGHT + GAP)}
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
