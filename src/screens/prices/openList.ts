'use client'

import { useSyncExternalStore } from 'react'
import type { Manner } from '../../core/manner/manners.ts'
import type { ListMapping, MappingQuestion } from '../../core/pricelist/listMapping.ts'
import type { ListSource } from '../../files/pricelist/listAnswer.ts'
import { Listeners } from '../../store/Listeners.ts'

/** A list that is on its way to becoming a book. */
export interface OpenList {
  readonly name: string
  readonly source: ListSource
  /** Its name is that of the file as long as nobody says another. */
  readonly provider: string
  readonly manner: Manner
  /** As it was changed; what is proposed, or a kept recipe says, stands where it was not. */
  readonly mapping?: ListMapping
  /** Answers of it that nobody has confirmed. */
  readonly assumed?: readonly MappingQuestion[]
}

const MOST_STEPS = 100

let open: OpenList | undefined
/** As it was before each change. */
let before: readonly OpenList[] = []
const listeners = new Listeners()

/** It stays open while other screens are looked at. */
export const useOpenList = (): OpenList | undefined =>
  useSyncExternalStore(
    listeners.add,
    () => open,
    () => undefined,
  )

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
