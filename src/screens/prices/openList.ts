'use client'

import { useEffect, useSyncExternalStore } from 'react'
import type { ListSource } from '../../files/pricelist/listAnswer.ts'
import { Listeners } from '../../store/Listeners.ts'
import type { ListInHand, UnfinishedList } from '../../store/UnfinishedList.ts'

/** Its name is that of the file as long as nobody says another; what is proposed, or a kept recipe says, stands until it is changed. */
export type OpenList = ListInHand

const MOST_STEPS = 100

let open: OpenList | undefined
/** As it was before each change. */
let before: readonly OpenList[] = []
/** Whether what an earlier visit left unfinished was looked for. */
let isLookedFor = false
const listeners = new Listeners()

/** It stays open while other screens are looked at. */
export const useOpenList = (): OpenList | undefined =>
  useSyncExternalStore(
    listeners.add,
    () => open,
    () => undefined,
  )

/** What was left unfinished is there again, and what is changed is kept. */
export function useUnfinishedList(store: UnfinishedList): void {
  const list = useOpenList()
  useEffect(() => {
    if (isLookedFor) return
    isLookedFor = true
    void store.read().then((found) => {
      if (found && !open) setOpenList(found)
    })
  }, [store])
  useEffect(() => {
    if (list) void store.keep(list)
  }, [store, list])
}

export const useListSteps = (): number =>
  useSyncExternalStore(
    listeners.add,
    () => before.length,
    () => 0,
  )

export function setOpenList(list: OpenList | undefined): void {
  open = list
  before = []
  listeners.tell()
}

export function changeOpenList(part: Partial<OpenList>): void {
  if (!open) return
  before = [...before.slice(-MOST_STEPS), open]
  open = { ...open, ...part }
  listeners.tell()
}

/** Takes the last change of the mapping back. */
export function undoOpenList(): void {
  const last = before.at(-1)
  if (!last) return
  open = last
  before = before.slice(0, -1)
  listeners.tell()
}

/** By the name of its first file, without what kind of file it is. */
export function beginList(name: string, source: ListSource, shown = name): void {
  const provider = name
    .replace(/\.[a-z0-9.]+$/i, '')
    .replace(/[-_]+/g, ' ')
    .trim()
    .slice(0, 60)
    .replace(/(^|\s)\p{Ll}/gu, (letter) => letter.toUpperCase())
  setOpenList({
    name: shown,
    source,
    provider: provider === '' ? 'Own prices' : provider,
    manner: 'gives-back',
  })
}
