import { expect, test } from 'vitest'
import { addressUseOfText } from './addressUseOfText.ts'

test.each([
  ['unattached', 'unattached'],
  ['reserved, not in use', 'unattached'],
  ['idle', 'unattached'],
  ['not attached', 'unattached'],
  ['without a machine', 'unattached'],
  ['attached to a stopped machine', 'attachedOff'],
  ['machine off', 'attachedOff'],
  ['machine not running', 'attachedOff'],
  ['attached to a running machine', 'attachedOn'],
  ['On', 'attachedOn'],
  ['in use', 'attached'],
  ['assigned', 'attached'],
  ['fixed', undefined],
  ['', undefined],
])('“%s” is %s', (text, use) => {
  expect(addressUseOfText(text)).toBe(use)
})
