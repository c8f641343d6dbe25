'use client'

import { BenchScreen } from '../bench/BenchScreen'
import { HandOffScreen } from '../handoff/HandOffScreen'
import type { PlanView as View } from './address'

/** The whole plan on one screen. */
export function PlanView({ view }: { readonly view: View }) {
  switch (view) {
    case 'bench':
      return <BenchScreen />
    case 'hand-off':
      return <HandOffScreen />
  }
}
