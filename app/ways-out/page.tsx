import { Message } from '../../src/interface/Message'
import { LastResort } from '../../src/screens/lastResort/LastResort'

/** Reached by its address alone, where the plan's own page does not even come up to say so. */
export default function WaysOutPage() {
  return (
    <Message title="Ways out" action={{ href: '/', label: 'Open the plan' }}>
      <p>For a plan or a price book that keeps Notchgauge from opening.</p>
      <LastResort />
    </Message>
  )
}
