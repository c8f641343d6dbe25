import type { StorageProblem, StoreNotice } from '../../store/storeNotice.ts'

/** What happened to changes, in sentences. */
export function storeNoticeText(notice: StoreNotice): string {
  switch (notice.code) {
    case 'other-plan-opened':
      return `Another tab opened the plan “${notice.name}”: not kept of what was changed here: ${notice.gone.join(', ')}.`
    case 'changed-twice':
      return `Another tab changed the same (“${notice.theirs}”): “${notice.ours}” of this one stands; undo takes it back.`
    case 'nothing-left':
      return `“${notice.label}” changes nothing any more: another tab was first.`
    case 'step-damaged':
      return notice.side === 'before'
        ? 'This step is damaged: it and those before it can no longer be taken back. The plan is as it was.'
        : 'This step is damaged: it and those after it can no longer be done again. The plan is as it was.'
    case 'stored-steps-lost':
      return notice.count === 1
        ? 'A stored step is damaged and can no longer be taken back. The plan is as it was.'
        : `${notice.count} stored steps are damaged or stand behind damaged ones, and can no longer be taken back. The plan is as it was.`
  }
}

/** Why something is not stored, in a sentence. */
export function storageProblemText(problem: StorageProblem): string {
  switch (problem.code) {
    case 'full':
      return 'The browser’s storage is full.'
    case 'refused':
      return 'The browser refuses to store data for this page.'
    case 'other-save-unreadable':
      return 'The plan that another tab saved cannot be read.'
    case 'too-many-plans':
      return `There are ${problem.most} plans already: delete one first.`
    case 'failed':
      return 'The browser could not store the plan.'
  }
}
