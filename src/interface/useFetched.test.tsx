// @vitest-environment happy-dom
import { act, cleanup, render, screen } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { fetchedOnce, useFetched } from './useFetched.ts'

afterEach(() => {
  cleanup()
  vi.useRealTimers()
})

test('a module that did not come is asked for until it does, and then known to all', async () => {
  vi.useFakeTimers({ shouldAdvanceTime: true })
  const fetchModule = vi
    .fn<() => Promise<{ readonly word: string }>>()
    .mockRejectedValueOnce(new Error('no network'))
    .mockResolvedValue({ word: 'here' })
  const fetched = fetchedOnce(fetchModule)
  const Word = () => <p>{useFetched(fetched)?.word ?? 'coming'}</p>
  render(<Word />)
  expect(screen.getByText('coming')).toBeTruthy()
  await act(() => vi.advanceTimersByTimeAsync(100))
  expect(fetchModule).toHaveBeenCalledTimes(1)
  await act(() => vi.advanceTimersByTimeAsync(5_100))
  expect(screen.getByText('here')).toBeTruthy()
  render(<Word />)
  expect(screen.getAllByText('here')).toHaveLength(2)
  expect(fetchModule).toHaveBeenCalledTimes(2)
})
