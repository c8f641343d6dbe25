import { Suspense } from 'react'
import { Opening } from '../src/screens/workbench/Opening'
import { Workbench } from '../src/screens/workbench/Workbench'

export default function Page() {
  return (
    <Suspense fallback={<Opening />}>
      <Workbench />
    </Suspense>
  )
}
