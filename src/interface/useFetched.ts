'use client'

import { useEffect, useState } from 'react'

/** A module that comes after what is shown first; asked for once, and again where it did not come. */
export function fetchedOnce<Module>(fetchModule: () => Promise<Module>): Fetched<Module> {
  let loading: Promise<void> | undefined
  const own: Fetched<Module> = {
    module: undefined,
    load: () =>
      (loading ??= fetchModule().then(
        (module) => {
          own.module = module
        },
        () => {
          loading = undefined
        },
      )),
  }
  return own
}

interface Fetched<Module> {
  module: Module | undefined
  readonly load: () => Promise<void>
}

/** What did not come is asked for again after this long. */
const AGAIN_MS = 5_000

/** The module once it is there, asked for when the browser has drawn what stands already, and until it comes. */
export function useFetched<Module>(fetched: Fetched<Module>): Module | undefined {
  const [module, setModule] = useState(() => fetched.module)
  useEffect(() => {
    if (module) return
    let isGone = false
    let timer = 0
    const ask = (): void =>
      void fetched.load().then(() => {
        if (isGone) return
        if (fetched.module) setModule(() => fetched.module)
        else timer = window.setTimeout(ask, AGAIN_MS)
      })
    const frame = requestAnimationFrame(ask)
    return () => {
      isGone = true
      cancelAnimationFrame(frame)
      window.clearTimeout(timer)
    }
  }, [fetched, module])
  return module
}
