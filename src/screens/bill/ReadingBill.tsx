'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import type { BillRecipe } from '../../core/billMapping/billMapping.ts'
import { zonesOf } from '../../files/bill/zonesOf.ts'
import { Button } from '../../interface/Button'
import { Progress } from '../../interface/Progress'
import { billRecipesOf } from '../../store/BillRecipes.ts'
import { billAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { formatNumber } from '../../wording/number'
import { IssueList } from '../workbench/IssueList'
import { setOpenBill, type OpenBill } from '../workbench/openBill.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { BillLine, BillPage, BillPlace } from './BillPage'
import { BillMappingPart } from './BillMappingPart'
import { keepBills } from './keepBills.ts'
import { OpenBillButton } from './OpenBillButton'

const close = (): void => setOpenBill(undefined)
const MIB = 1024 * 1024

/** A bill while it is read, and what was wrong with it. */
export function ReadingBill({ open }: { readonly open: OpenBill }) {
  const { session, keptBooks, month, mend } = useWorkbench()
  const { files } = open
  const [recipes, setRecipes] = useState<readonly BillRecipe[]>()
  useEffect(() => {
    let isOpen = true
    void billRecipesOf(session)
      .list()
      .then((kept) => isOpen && setRecipes(kept))
    return () => void (isOpen = false)
  }, [session])
  const asked = useMemo(
    () => recipes && { files, zones: zonesOf(keptBooks), recipes },
    [files, keptBooks, recipes],
  )
  const { answer, isStale, step, failure, again } = useAnswer(billAsker, asked)
  const read = isStale ? undefined : answer
  const kept = useRef<typeof read>(undefined)
  useEffect(() => {
    // Once for each bill that is read.
    if (kept.current === read || !read?.ok || read.value.months.length === 0) return
    kept.current = read
    const { months } = read.value
    const names = files.map(({ name }) => name).join(', ')
    void keepBills(session, read.value, names, 'billed').then(() => {
      // What was looked for, or the newest that came.
      if (!months.some((each) => each.month === month)) mend({ month: months[0]!.month })
      close()
    })
  }, [read, files, session, month, mend])
  const size = files.reduce((sum, { file }) => sum + file.size, 0)
  const isEmpty = read?.ok && read.value.months.length === 0
  return (
    <BillPage aria-busy={!read && !failure}>
      <BillPlace $wide={!!read && !read.ok}>
        {read && !read.ok ? (
          <>
            <h1>The bill was not read</h1>
            <p>It changed nothing.</p>
            <IssueList issues={read.issues} />
            <BillMappingPart
              files={files}
              onRead={(recipe) => {
                setRecipes([recipe, ...(recipes ?? [])])
                void billRecipesOf(session).keep(recipe)
              }}
            />
          </>
        ) : isEmpty ? (
          <>
            <h1>The bill has no rows about machines</h1>
            <p>
              {formatNumber(read.value.head.rows)} rows were read; none is about compute, storage or
              networking.
            </p>
          </>
        ) : failure ? (
          <>
            <h1>The bill was not read</h1>
            <p role="alert">{failure}</p>
            <Button onPress={again}>Try again</Button>
          </>
        ) : (
          <>
            <h1>Reading {files.length === 1 ? files[0]!.name : `${files.length} parts`}…</h1>
            <Progress
              label={`${formatNumber(step?.rows ?? 0)} rows, ${formatNumber((step?.bytes ?? 0) / MIB, 1)} MiB unpacked`}
              done={Math.min(step?.bytes ?? 0, size)}
              of={size}
            />
          </>
        )}
        <BillLine>
          {(read || failure) && <OpenBillButton label="Open another…" />}
          <Button onPress={close}>{read || failure ? 'Close' : 'Cancel'}</Button>
        </BillLine>
      </BillPlace>
    </BillPage>
  )
}
