import { expect, type Page } from '@playwright/test'

/** Whether what is written on a page is cut or lies over something else. */

interface Fault {
  readonly text: string
  readonly why: string
}

/** Looks at every element that holds text by itself. */
export const faultsOn = (page: Page): Promise<Fault[]> =>
  page.evaluate(() => {
    const faults: { text: string; why: string }[] = []
    const own: { text: string; box: DOMRect; element: Element }[] = []
    for (const element of document.querySelectorAll('main *, aside *, header *')) {
      const nodes = [...element.childNodes].filter(
        (node) => node.nodeType === Node.TEXT_NODE && node.textContent?.trim(),
      )
      if (nodes.length === 0 || element.closest('svg')?.getAttribute('aria-hidden') === 'false') continue
      const style = getComputedStyle(element)
      if (!element.checkVisibility({ checkOpacity: true, checkVisibilityCSS: true })) continue
      // What only screen readers have is a point.
      if (style.clipPath !== 'none' || element.getBoundingClientRect().width <= 2) continue
      const text = nodes
        .map((node) => node.textContent!.trim())
        .join(' ')
        .slice(0, 60)
      const hides =
        style.overflowX !== 'visible' && style.overflowX !== 'auto' && style.overflowX !== 'scroll'
      if (hides && element.scrollWidth > element.clientWidth + 1) faults.push({ text, why: 'cut' })
      for (const node of nodes) {
        const range = document.createRange()
        range.selectNodeContents(node)
        for (const box of range.getClientRects()) if (box.width > 2) own.push({ text, box, element })
      }
    }
    const isShown = ({ box, element }: (typeof own)[number]): boolean => {
      // What scrolls away under something is not drawn there.
      let at: Element | null = element.parentElement
      while (at) {
        const style = getComputedStyle(at)
        if (/auto|scroll|hidden/.test(style.overflowY)) {
          const frame = at.getBoundingClientRect()
          if (box.bottom > frame.bottom || box.top < frame.top) return false
        }
        at = at.parentElement
      }
      return true
    }
    const seen = own.filter(isShown)
    for (const [i, one] of seen.entries()) {
      for (const other of seen.slice(i + 1)) {
        if (one.element.contains(other.element) || other.element.contains(one.element)) continue
        // The scale lies over plates that scroll under it, by intent.
        const sticky = (element: Element): boolean => element.closest('[data-sticky]') !== null
        if (sticky(one.element) !== sticky(other.element)) continue
        const wide = Math.min(one.box.right, other.box.right) - Math.max(one.box.left, other.box.left)
        const high = Math.min(one.box.bottom, other.box.bottom) - Math.max(one.box.top, other.box.top)
        if (wide > 2 && high > 4) faults.push({ text: one.text, why: `over ${other.text}` })
      }
    }
    return faults
  })

/** Waits until the plates have measured their place and laid their labels out. */
export const platesLaidOut = (page: Page): Promise<void> =>
  expect(page.locator('[data-plate] [data-slots]').first()).toBeVisible()

const SIZES = [
  { width: 1920, height: 1080 },
  { width: 1024, height: 768 },
  { width: 1280, height: 800 },
]

/** At each width of the page in turn, the last of which it keeps. Plates are laid out anew after a resize. */
export async function wholeAtEachWidth(page: Page, what: string): Promise<void> {
  for (const size of SIZES) {
    await page.setViewportSize(size)
    await expect.poll(() => faultsOn(page), `${what} at ${size.width}`).toEqual([])
  }
}
