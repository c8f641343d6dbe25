import { lazyPart } from '../../interface/lazyPart'
import { loadPalette } from '../palette/CommandPalette'
import { viewOptions, type View } from '../workbench/views.ts'
import { VIEW_SCREENS } from './viewScreens.ts'

/** What stands around every view of a machine. */
export const MachineColumns = lazyPart(() => import('./MachineColumns'), 'MachineColumns', { isMain: true })

/** Fetches all that a view shows, so that it is there when there is something to show. */
export const loadView = (view: View): Promise<unknown> =>
  Promise.all([VIEW_SCREENS[view].load(), viewOptions(view).scope === 'machine' && MachineColumns.load()])

/** Those that are likely to be opened next, when nothing else is to be done. */
const LIKELY: readonly View[] = ['gauge', 'week', 'bench', 'month', 'terms']

/**
 * The palette, which is typed into at once, and those views, one after the other, each in an idle moment; what does not
 * come now comes when it is opened.
 */
export async function loadLikelyViews(): Promise<void> {
  for (const load of [loadPalette, ...LIKELY.map((view) => () => loadView(view))]) {
    await new Promise<void>((resolve) => whenIdle(resolve))
    await load().catch(() => undefined)
  }
}

const whenIdle = (then: () => void): unknown =>
  'requestIdleCallback' in window ? requestIdleCallback(then, { timeout: 5_000 }) : setTimeout(then, 500)

/** What reads files is fetched with the first one, or before in an idle moment. */
export const loadImporting = (): Promise<typeof import('./importFile.ts')> =>
  import('./importFile.ts').catch(() => {
    throw new Error(
      'What reads files could not be fetched. Nothing was changed; try again once the page can be reached.',
    )
  })
