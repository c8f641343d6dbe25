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

/** The module once it is there, asked for when the browser has drawn what stands already. */
export function useFetched<Module>(fetched: Fetched<Module>): Module | undefined {
  const [module, setModule] = useState(() => fetched.module)
  useEffect(() => {
    if (module) return
    let isGone = false
    const frame = requestAnimationFrame(() => {
      void fetched.load().then(() => {
        if (!isGone) setModule(() => fetched.module)
      })
    })
    return () => {
      isGone = true
      cancelAnimationFrame(frame)
    }
  }, [fetched, module])
  return module
}
