'use client'

import { useEffect, useRef, useState, type ComponentType, type ReactNode, type RefObject } from 'react'
import styled from 'styled-components'
import { Button } from './Button'

/** A part of the page whose code comes when it is first shown, or when it is asked for ahead. */
export type LazyPart<Props> = ComponentType<Props> & {
  /** Fetches the code; what fails is said where the part is shown. */
  readonly load: () => Promise<unknown>
}

interface LazyOptions<Props> {
  /** For a drawing: the height that is kept for it. It comes once it is in view, and says nothing meanwhile. */
  readonly drawing?: number | '100%'
  /** Says nothing while it is coming, and where it stands if it did not come, around what says so. */
  readonly failedIn?: (props: Props, failure: ReactNode) => ReactNode
  /** Whether it is the main part of the page, which must be there meanwhile. */
  readonly isMain?: boolean
}

/**
 * The part that a module exports by this name. Where its code does not come, as without a network, it can be asked for
 * again: a module that failed is no answer.
 */
export function lazyPart<Name extends string, Props extends object>(
  fetchModule: () => Promise<{ readonly [N in Name]: ComponentType<Props> }>,
  name: Name,
  { drawing, failedIn, isMain = false }: LazyOptions<Props> = {},
): LazyPart<Props> {
  let loaded: ComponentType<Props> | undefined
  let loading: Promise<void> | undefined
  const load = (): Promise<void> =>
    (loading ??= fetchModule().then(
      (module) => {
        loaded = module[name]
      },
      (error: unknown) => {
        loading = undefined
        throw error
      },
    ))

  function Part(props: Props) {
    const [Loaded, setLoaded] = useState(() => loaded)
    const [failed, setFailed] = useState(false)
    const place = useRef<HTMLDivElement>(null)
    const isSeen = useSeen(place, drawing !== undefined)
    const isWanted = !Loaded && !failed && isSeen
    useEffect(() => {
      if (!isWanted) return
      let isGone = false
      load().then(
        () => {
          if (!isGone) setLoaded(() => loaded)
        },
        () => {
          if (!isGone) setFailed(true)
        },
      )
      return () => {
        isGone = true
      }
    }, [isWanted])
    if (Loaded) return <Loaded {...props} />
    const around = isMain ? ({ as: 'main', id: 'main' } as const) : {}
    if (failed) {
      const failure = <Failed onRetry={() => setFailed(false)} />
      return failedIn ? failedIn(props, failure) : <Waiting {...around}>{failure}</Waiting>
    }
    if (drawing !== undefined) return <div ref={place} style={{ height: drawing }} />
    if (failedIn) return null
    return (
      <Waiting {...around}>
        <p role="status">Opening…</p>
      </Waiting>
    )
  }
  return Object.assign(Part, { load })
}

const Failed = ({ onRetry }: { readonly onRetry: () => void }) => (
  <>
    <p role="alert">
      This part of the page could not be fetched. Nothing is lost: try again, or load the page anew.
    </p>
    <Button onPress={onRetry}>Try again</Button>
  </>
)

/** Whether a place is or was in view; true at once where nothing has to be. */
function useSeen(place: RefObject<HTMLElement | null>, hasToBe: boolean): boolean {
  const [isSeen, setSeen] = useState(!hasToBe)
  useEffect(() => {
    if (isSeen || !place.current) return
    const observer = new IntersectionObserver((entries) => {
      if (entries.some(({ isIntersecting }) => isIntersecting)) setSeen(true)
    })
    observer.observe(place.current)
    return () => observer.disconnect()
  }, [place, isSeen])
  return isSeen
}

const Waiting = styled.div`
  display: grid;
  gap: 10px;
  align-content: start;
  justify-items: start;
  padding: 24px 20px;
  color: var(--ink-2);
`
