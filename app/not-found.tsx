import { Message } from '../src/interface/Message'

export default function NotFound() {
  return (
    <Message title="There is no such page" action={{ href: '/', label: 'Open the plan' }}>
      The address may be cut off or out of date. Your plan is kept in this browser and is not affected.
    </Message>
  )
}
