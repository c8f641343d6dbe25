// @vitest-environment happy-dom
import { cleanup, configure, fireEvent, render, screen, within } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { lazyDialog } from './lazyDialog'
import { CEILING } from '../core/testing/ceiling.ts'

configure({ asyncUtilTimeout: CEILING.timeout })
afterEach(cleanup)

const Question = ({ onClose }: { readonly onClose: () => void }) => <button onClick={onClose}>Well?</button>

test('a dialog says nothing until it is there', () => {
  const Part = lazyDialog(() => new Promise<{ Question: typeof Question }>(() => undefined), 'Question')
  const { container } = render(<Part onClose={() => undefined} />)
  expect(container.innerHTML).toBe('')
})

test('that does not come is said over the page, where it can be asked for again or left', async () => {
  const fetchModule = vi
    .fn<() => Promise<{ Question: typeof Question }>>()
    .mockRejectedValueOnce(new Error('no network'))
    .mockResolvedValue({ Question })
  const onClose = vi.fn()
  const Part = lazyDialog(fetchModule, 'Question')
  render(<Part onClose={onClose} />)
  const dialog = await screen.findByRole('dialog')
  expect(within(dialog).getByRole('alert').textContent).toContain('could not be fetched')
  fireEvent.keyDown(dialog, { key: 'Escape' })
  expect(onClose).toHaveBeenCalledTimes(1)
  fireEvent.click(within(dialog).getByRole('button', { name: 'Try again' }))
  fireEvent.click(await screen.findByRole('button', { name: 'Well?' }))
  expect(onClose).toHaveBeenCalledTimes(2)
})
