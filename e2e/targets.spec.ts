import { expect, type Page } from '@playwright/test'
import { onOwnPage as test } from './openedPage'
import { VIEWS } from '../src/screens/workbench/views'
import { Workbench } from './workbench'

/** What can be pressed is large enough: 24 px for a mouse (WCAG 2.2, 2.5.8), 44 px for a finger. */

/** Those that are smaller, each once; words inside a sentence are as high as their line, as that rule allows. */
const smallTargets = (page: Page, least: number): Promise<string[]> =>
  page.evaluate((least) => {
    const isInline = (element: Element): boolean => {
      const beside = [...element.parentElement!.childNodes].filter((node) => node !== element)
      return (
        getComputedStyle(element).display.startsWith('inline') &&
        beside.some((node) => node.nodeType === Node.TEXT_NODE && (node.textContent ?? '').trim().length > 1)
      )
    }
    const small = [
      ...document.querySelectorAll('button, a[href], input, select, textarea, [role=option], [role=slider]'),
    ].flatMap((control) => {
      // What is hidden within a label is pressed by it, and a slider anywhere along its line.
      const line = control.matches('input[type=range]') ? control.closest('[role=group]') : null
      const target = control.closest('label') ?? line ?? control
      if (!target.checkVisibility({ checkOpacity: true, checkVisibilityCSS: true })) return []
      if (control.closest('[inert], [aria-hidden=true], svg, [data-react-aria-top-layer]')) return []
      if (target.matches(':disabled, [data-disabled]') || isInline(target)) return []
      const style = getComputedStyle(target)
      // The skip link waits above the page, and what only screen readers have is a point.
      if (style.clipPath !== 'none' || target.getAttribute('href') === '#main') return []
      const { width, height } = target.getBoundingClientRect()
      if (width <= 2 || Math.min(width, height) >= least - 0.5) return []
      target.scrollIntoView({ block: 'center' })
      const { x, y } = target.getBoundingClientRect()
      const reach = least / 2 - 1
      // Pressed that far from its middle it is still what is pressed.
      const answers = [
        [-reach, 0],
        [reach, 0],
        [0, -reach],
        [0, reach],
      ].every(([dx, dy]) => {
        const hit = document.elementFromPoint(x + width / 2 + dx!, y + height / 2 + dy!)
        return hit !== null && target.contains(hit)
      })
      if (answers) return []
      const name = control.getAttribute('aria-label') ?? target.textContent?.trim() ?? ''
      return [
        `${target.tagName.toLowerCase()} ${name.slice(0, 40)}: ${width.toFixed(0)} x ${height.toFixed(0)}`,
      ]
    })
    return [...new Set(small)]
  }, least)

async function look(page: Page, least: number): Promise<Record<string, string[]>> {
  const bench = new Workbench(page)
  const found: Record<string, string[]> = {}
  await bench.open('/?view=bench&machine=timetable-loadgen')
  for (const { id, name } of VIEWS) {
    await bench.turnTo(`/?view=${id}&machine=timetable-loadgen`)
    await bench.viewSettled(id)
    const small = await smallTargets(page, least)
    if (small.length > 0) found[name] = small
  }
  return found
}

test('with a mouse everything that can be pressed is at least 24 px', async ({ page }) => {
  expect(await look(page, 24)).toEqual({})
})

test.describe('with a finger', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 1024, height: 768 } })

  test('everything that can be pressed is at least 44 px', async ({ page }) => {
    expect(await look(page, 44)).toEqual({})
  })
})
