import { expect, test } from 'vitest'
import type { StorageProblem, StoreNotice } from '../../store/storeNotice.ts'
import { storageProblemText, storeNoticeText } from './storeNoticeText.ts'

test.each<[StoreNotice, string]>([
  [
    { code: 'other-plan-opened', name: 'Spare', gone: ['huge', 'tiny'] },
    'Another tab opened the plan “Spare”: not kept of what was changed here: huge, tiny.',
  ],
  [
    { code: 'changed-twice', theirs: 'rename', ours: 'call it mine' },
    'Another tab changed the same (“rename”): “call it mine” of this one stands; undo takes it back.',
  ],
  [{ code: 'nothing-left', label: 'huge' }, '“huge” changes nothing any more: another tab was first.'],
  [
    { code: 'step-damaged', side: 'after' },
    'This step is damaged: it and those after it can no longer be done again. The plan is as it was.',
  ],
  [
    { code: 'stored-steps-lost', count: 1 },
    'A stored step is damaged and can no longer be taken back. The plan is as it was.',
  ],
])('%j reads', (notice, text) => {
  expect(storeNoticeText(notice)).toBe(text)
})

test.each<[StorageProblem, string]>([
  [{ code: 'full' }, 'The browser’s storage is full.'],
  [{ code: 'too-many-plans', most: 200 }, 'There are 200 plans already: delete one first.'],
])('%j reads', (problem, text) => {
  expect(storageProblemText(problem)).toBe(text)
})
