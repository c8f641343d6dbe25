import { useEffect, useState } from 'react'

const TICK_MS = 100

/** Hours that a tick goes on: a month takes a minute and a quarter, twelve seconds, or three. */
export const FILM_SPEEDS = [1, 6, 24] as const
type FilmSpeed = (typeof FILM_SPEEDS)[number]

export interface FilmClock {
  /** Hours that are over. */
  readonly at: number
  readonly isPlaying: boolean
  readonly speed: FilmSpeed
  readonly play: () => void
  readonly pause: () => void
  readonly goTo: (hour: number) => void
  readonly setSpeed: (speed: FilmSpeed) => void
}

/** Where a film of so many hours stands. It stops at its end, and begins anew from there. */
export function useFilmClock(hours: number): FilmClock {
  const [at, setAt] = useState(0)
  const [isPlaying, setIsPlaying] = useState(false)
  const [speed, setSpeed] = useState<FilmSpeed>(6)
  const isOver = at >= hours
  useEffect(() => {
    if (!isPlaying || isOver) return undefined
    const timer = setInterval(() => setAt((hour) => Math.min(hours, hour + speed)), TICK_MS)
    return () => clearInterval(timer)
  }, [isPlaying, isOver, speed, hours])
  return {
    at,
    isPlaying: isPlaying && !isOver,
    speed,
    play: () => {
      if (isOver) setAt(0)
      setIsPlaying(true)
    },
    pause: () => setIsPlaying(false),
    goTo: (hour) => {
      setIsPlaying(false)
      setAt(Math.max(0, Math.min(hours, hour)))
    },
    setSpeed,
  }
}
