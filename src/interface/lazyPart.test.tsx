// @vitest-environment happy-dom
import { cleanup, configure, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { lazyPart } from './lazyPart'
import { CEILING } from '../core/testing/ceiling.ts'

configure({ asyncUtilTimeout: CEILING.timeout })
afterEach(cleanup)

const Greeting = ({ name }: { readonly name: string }) => <p>Good morning, {name}</p>

describe('a part whose code comes when it is shown', () => {
  test('says that it is coming, and then is there; another place has it at once', async () => {
    const fetchModule = vi.fn(() => Promise.resolve({ Greeting }))
    const Part = lazyPart(fetchModule, 'Greeting')
    render(<Part name="one" />)
    expect(screen.getByRole('status').textContent).toBe('Opening…')
    expect(await screen.findByText('Good morning, one')).toBeTruthy()
    render(<Part name="two" />)
    expect(screen.getByText('Good morning, two')).toBeTruthy()
    expect(fetchModule).toHaveBeenCalledTimes(1)
  })

  test('that was fetched ahead is drawn without a wait', async () => {
    const Part = lazyPart(() => Promise.resolve({ Greeting }), 'Greeting')
    await Part.load()
    render(<Part name="three" />)
    expect(screen.getByText('Good morning, three')).toBeTruthy()
  })

  test('that does not come is said, and can be asked for again', async () => {
    const fetchModule = vi
      .fn<() => Promise<{ Greeting: typeof Greeting }>>()
      .mockRejectedValueOnce(new Error('no network'))
      .mockResolvedValue({ Greeting })
    const Part = lazyPart(fetchModule, 'Greeting')
    render(<Part name="four" />)
    expect((await screen.findByRole('alert')).textContent).toContain('could not be fetched')
    expect(screen.queryByRole('main')).toBeNull()
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }))
    expect(await screen.findByText('Good morning, four')).toBeTruthy()
    expect(fetchModule).toHaveBeenCalledTimes(2)
  })

  test('the main part of the page is a landmark also while it is coming', () => {
    const Part = lazyPart(() => new Promise<{ Greeting: typeof Greeting }>(() => undefined), 'Greeting', {
      isMain: true,
    })
    render(<Part name="seven" />)
    expect(screen.getByRole('main').id).toBe('main')
    expect(screen.getByRole('main').textContent).toBe('Opening…')
  })

  test('a drawing keeps its height, and comes once it is in view', async () => {
    let seen: (entries: readonly { readonly isIntersecting: boolean }[]) => void = () => undefined
    vi.stubGlobal(
      'IntersectionObserver',
      class {
        constructor(then: typeof seen) {
          seen = then
        }
        observe = vi.fn()
        disconnect = vi.fn()
      },
    )
    const fetchModule = vi.fn(() => Promise.resolve({ Greeting }))
    const Part = lazyPart(fetchModule, 'Greeting', { drawing: 150 })
    const { container } = render(<Part name="six" />)
    expect(container.querySelector('div')!.style.height).toBe('150px')
    seen([{ isIntersecting: false }])
    expect(fetchModule).not.toHaveBeenCalled()
    seen([{ isIntersecting: true }])
    expect(await screen.findByText('Good morning, six')).toBeTruthy()
    vi.unstubAllGlobals()
  })
})
