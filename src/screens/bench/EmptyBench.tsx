'use client'

import { EmptyPlan } from '../workbench/EmptyPlan'
import { PaleBench } from './PaleBench'

/** The bench of a plan without machines. */
export const EmptyBench = () => (
  <EmptyPlan
    shows="Say what the first one must have. This screen then shows where each month goes, what switching off saves, and how long a credit lasts."
    sketch={<PaleBench />}
  />
)
