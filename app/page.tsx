import { Suspense } from 'react'
import { Opening } from '../src/screens/frame/Opening'
import { Workbench } from '../src/screens/frame/Workbench'

export default function Page() {
  return (
    <Suspense fallback={<Opening />}>
      <Workbench />
    </Suspense>
  )
}
