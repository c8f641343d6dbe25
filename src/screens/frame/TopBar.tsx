'use client'

import styled from 'styled-components'
import { QuietButton } from '../../interface/Button'
import { Mark } from '../../interface/Mark'
import { Menu } from '../../interface/Menu'
import { media } from '../../interface/theme/media'
import { THEMES, useTheme } from '../../interface/theme/useTheme'
import { renamePlan } from '../../store/commands.ts'
import { savePlan, saveBook } from '../workbench/saveExport.ts'
import { EditableName } from '../workbench/EditableName'
import { emptyPlan } from '../workbench/emptyPlan.ts'
import { MonthPicker } from './MonthPicker'
import { openPalette } from '../palette/CommandPalette'
import { usePlanDialogs } from '../workbench/planDialogs.ts'
import { PlanTotals } from './PlanTotals'
import { SaveGuard } from './SaveGuard'
import { ViewLinks } from './ViewLinks'
import { PLAN_VIEWS } from '../workbench/views.ts'
import { useChooseFile } from '../workbench/ChooseFile'
import { loadDemo } from '../workbench/demo.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { replaceOpenPlan } from '../../store/openPlan.ts'

const THEME_LABELS = { system: 'Theme as the system', light: 'Light theme', dark: 'Dark theme' } as const

/** The plan as a whole: its name, month and totals, undo, and the way in and out. */
export function TopBar() {
  const chooseFile = useChooseFile()
  const { session, state, keptBooks: books, go } = useWorkbench()
  const [theme, setTheme] = useTheme()
  const { open } = usePlanDialogs()
  const { plan, undoLabel, redoLabel } = state
  return (
    <Bar>
      <Mark isBar />
      <SaveGuard session={session} />
      <PlanName>
        <EditableName
          label="Plan name"
          name={plan.name}
          taken={[]}
          most={120}
          onRename={(name) => session.edit('rename the plan', renamePlan(name))}
        />
      </PlanName>
      <ViewLinks label="Views of the plan" views={PLAN_VIEWS} machine={undefined} />
      <Spring />
      <MonthPicker />
      <PlanTotals />
      <Group>
        <QuietButton
          aria-label={undoLabel ? `Undo: ${undoLabel}` : 'Nothing to undo'}
          isDisabled={!undoLabel}
          onPress={() => session.undo()}
        >
          Undo
        </QuietButton>
        <QuietButton
          aria-label={redoLabel ? `Redo: ${redoLabel}` : 'Nothing to redo'}
          isDisabled={!redoLabel}
          onPress={() => session.redo()}
        >
          Redo
        </QuietButton>
        <Menu
          label="Plan"
          button="Plan"
          entries={[
            { id: 'import', label: 'Import a plan, price book or inventory…', onAction: chooseFile },
            {
              id: 'export',
              label: 'Export the plan',
              // As it is now: what is shown may be a moment behind.
              onAction: () => void savePlan(session.snapshot().plan),
            },
            {
              id: 'money',
              label: 'Currency, exchange rates and tax…',
              onAction: () => open('money'),
            },
            { id: 'budget', label: 'Budget and credit…', onAction: () => open('budget') },
            { id: 'plans', label: 'Plans…', onAction: () => open('plans') },
            { id: 'palette', label: 'All actions… (Ctrl K)', onAction: openPalette },
            { id: 'help', label: 'Help: keys and words… (?)', onAction: () => open('help') },
            { id: 'about', label: 'About…', onAction: () => open('about') },
            ...books.map((book) => ({
              id: `book-${book.provider.id}-${book.edition}`,
              label: `Export the price book ${book.provider.name}, ${book.edition}`,
              onAction: () => void saveBook(book),
            })),
            {
              id: 'empty',
              label: 'Start an empty plan',
              onAction: () => {
                go({ view: 'prices', machine: undefined, month: undefined, book: undefined })
                replaceOpenPlan(session, 'start an empty plan', emptyPlan())
              },
            },
            {
              id: 'demo',
              label: 'Open the demo plan',
              onAction: () =>
                void loadDemo().then((demo) => {
                  const known = new Set(books.map(({ provider }) => provider.id))
                  for (const book of demo.books)
                    if (!known.has(book.provider.id)) void session.books.add(book)
                  replaceOpenPlan(session, 'open the demo plan', demo.plan)
                  go({ machine: undefined, month: demo.plan.month })
                }),
            },
            ...THEMES.map((option) => ({
              id: `theme-${option}`,
              label: `${THEME_LABELS[option]}${option === theme ? ' (now)' : ''}`,
              onAction: () => setTheme(option),
            })),
          ]}
        />
      </Group>
    </Bar>
  )
}

const Bar = styled.header`
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 48px;
  padding: 0 16px;
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);
  ${media.compact} {
    gap: 10px;
    padding: 0 10px;
  }
  ${media.narrow} {
    flex-wrap: wrap;
    padding: 8px 12px;
  }
`

/** In several lines where the bar is short of room. */
const PlanName = styled.span`
  flex: 0 1 auto;
  min-width: 96px;

  button {
    max-width: 100%;
    padding: 2px 0;
    font-size: 12px;
    line-height: 1.15;
    text-align: left;
    overflow-wrap: anywhere;
  }
`

const Spring = styled.span`
  flex: 1;
`

const Group = styled.div`
  display: flex;
  gap: 2px;
`
