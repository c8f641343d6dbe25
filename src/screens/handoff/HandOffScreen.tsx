'use client'

import { strToU8, zipSync } from 'fflate'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { nameRulesOf } from '../../core/machine/accessProblems.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { NO_CURRENCY } from '../../core/quantity/currency.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { hostNames } from '../../files/handoff/hostNames.ts'
import { plainNames } from '../../files/reading/plainNames.ts'
import { cloudConfig } from '../../files/handoff/cloudConfig.ts'
import { sheetMarkdown } from '../../files/handoff/sheetMarkdown.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { Menu } from '../../interface/Menu'
import { media } from '../../interface/theme/media'
import { ToggleRow } from '../../interface/ToggleRow'
import { download } from '../workbench/download.ts'
import { EmptyPlan } from '../workbench/EmptyPlan'
import { fileName } from '../workbench/fileName.ts'
import { saveExport, savePlan } from '../workbench/saveExport.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { buildSheet } from './buildSheet.ts'
import { CleanUp } from './CleanUp'
import { BuildSheet } from './BuildSheet'
import { PaleSheet } from './PaleSheet'
import { MonthReport } from './MonthReport'
import { SetupFields } from './SetupFields'

type Shown = 'sheet' | 'report'

/** The way out: build sheets, user data, the estimate as files, and the month as a page for those who pay. */
export function HandOffScreen() {
  const { state, month, address, mend, pricing } = useWorkbench()
  const { plan, books } = state
  // What is built is billed by true hours, however the month is read on the screen.
  const billed = useMemo(
    () =>
      address.reading === 'calendar' ? pricing : new PlanPricing({ plan, books, month, reading: 'calendar' }),
    [address.reading, pricing, plan, books, month],
  )
  const [shown, setShown] = useState<Shown>('sheet')
  const machine = plan.machines.find(({ name }) => name === address.machine) ?? plan.machines[0]
  const result = machine && billed.of(machine)
  const base = fileName(plan.name)
  const byName = new Map(plan.machines.map((each) => [each.name, each]))
  const hosts = hostNames(plan.machines, (name) => {
    const found = byName.get(name)
    const priced = found && pricing.of(found)
    return priced?.ok ? nameRulesOf(priced.resolved.image) : 'unix'
  })
  const hostOf = ({ name }: Machine): string => hosts.get(name) ?? name
  const files = new Map(plainNames(plan.machines).map((plain, i) => [plan.machines[i]!.name, plain]))
  const sheets = () =>
    plan.machines.flatMap((each) => {
      const priced = billed.of(each)
      return priced.ok ? [{ machine: each, sheet: buildSheet(priced, month, hostOf(each)) }] : []
    })
  const saveEstimate = (as: 'csv' | 'csv-with-mark' | 'json' | 'focus'): void => {
    const isCsv = as !== 'json'
    const name = `${base}-${month}.${as === 'focus' ? 'focus.csv' : isCsv ? 'csv' : 'estimate.json'}`
    const asked = { what: 'estimate', as, plan, books, month, reading: address.reading } as const
    void saveExport(name, asked, isCsv ? 'text/csv' : undefined)
  }
  if (!machine) {
    return (
      <Main>
        <EmptyPlan
          shows="Each machine then has a build sheet that adds up, with what to create, in which order, and how to check it."
          sketch={<PaleSheet />}
        />
      </Main>
    )
  }
  return (
    <Main data-testid="hand-off">
      <Bar data-print="no">
        <h1>Hand-off</h1>
        <ToggleRow
          label="What to show"
          mode="one"
          options={[
            { id: 'sheet', label: 'Build sheet' },
            { id: 'report', label: 'Month report' },
          ]}
          chosen={[shown]}
          onChange={([id]) => setShown(id ?? 'sheet')}
        />
        {shown === 'sheet' && (
          <Dropdown
            label="Machine"
            value={machine.name}
            options={plan.machines.map(({ name }) => ({ id: name, name }))}
            onChange={(name) => mend({ machine: name })}
          />
        )}
        <Spring />
        <Button onPress={() => window.print()}>Print this page</Button>
        <Menu
          label="Export as a file"
          button="Export ▾"
          entries={[
            {
              id: 'sheet',
              label: `Build sheet of ${machine.name}, Markdown`,
              disabled: !result?.ok,
              onAction: () =>
                result?.ok &&
                download(
                  `${files.get(machine.name)!}.md`,
                  sheetMarkdown(buildSheet(result, month, hostOf(machine))),
                  'text/markdown',
                ),
            },
            {
              id: 'sheets',
              label: 'All build sheets, Markdown',
              onAction: () =>
                download(
                  `${base}-build-sheets.md`,
                  sheets()
                    .map(({ sheet }) => sheetMarkdown(sheet))
                    .join('\n\n---\n\n'),
                  'text/markdown',
                ),
            },
            {
              id: 'user-data',
              label: `User data of ${machine.name}, cloud-config`,
              onAction: () =>
                download(
                  `${files.get(machine.name)!}.user-data.yaml`,
                  cloudConfig(machine, hostOf(machine)),
                  'text/yaml',
                ),
            },
            {
              id: 'all-user-data',
              label: 'User data of all machines, zip',
              onAction: () =>
                download(
                  `${base}-user-data.zip`,
                  zipSync(
                    Object.fromEntries(
                      plan.machines.map((each) => [
                        `${files.get(each.name)!}.user-data.yaml`,
                        strToU8(cloudConfig(each, hostOf(each))),
                      ]),
                    ),
                  ),
                  'application/zip',
                ),
            },
            {
              id: 'csv',
              label: 'Estimate, CSV',
              onAction: () => saveEstimate('csv'),
            },
            {
              id: 'csv-bom',
              label: 'Estimate, CSV with a byte-order mark, for spreadsheets',
              onAction: () => saveEstimate('csv-with-mark'),
            },
            {
              id: 'json',
              label: 'Estimate, JSON',
              onAction: () => saveEstimate('json'),
            },
            {
              id: 'focus',
              label: 'Estimate as a bill by day, FOCUS 1.2',
              onAction: () => saveEstimate('focus'),
            },
            {
              id: 'plan',
              label: 'Plan file',
              onAction: () => void savePlan(plan),
            },
          ]}
        />
      </Bar>
      <CleanUp currency={plan.currency ?? (result?.ok ? result.estimate.currency : NO_CURRENCY)} />
      {shown === 'report' ? (
        <MonthReport />
      ) : (
        <>
          {result?.ok ? (
            <BuildSheet sheet={buildSheet(result, month, hostOf(machine))} />
          ) : (
            <p role="alert">
              {machine.name} has no price in this month: open it on its gauge to see why, and mend it there.
            </p>
          )}
          <SetupFields key={machine.name} machine={machine} hostName={hostOf(machine)} />
        </>
      )}
    </Main>
  )
}

const Main = styled.main.attrs({ id: 'main' })`
  min-width: 0;
  overflow: auto;
  padding: 12px 20px 24px;
  background: var(--sheet);
  ${media.compact} {
    padding: 12px 14px 16px;
  }
  @media print {
    overflow: visible;
    padding: 0;
  }
`

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 10px;
`

const Spring = styled.span`
  flex: 1;
`
