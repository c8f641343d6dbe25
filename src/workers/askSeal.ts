import { askOnce } from './askOnce.ts'

/** Checks and seals what is stored, off the page's thread; it opens quicker then. */
export const askSeal = () =>
  askOnce<'done'>(
    new Worker(new URL('./seal.worker.ts', import.meta.url), { type: 'module' }),
    {},
    'What is stored could not be checked.',
  )
