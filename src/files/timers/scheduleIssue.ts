import type { FileIssue } from '../reading/fileIssue.ts'

/** Why a file is not taken for a schedule. */
export const scheduleIssue = (problem: string, expected: string): FileIssue => ({
  code: 'other-kind',
  pointer: '',
  problem,
  expected,
})

export const notSchedule = (): FileIssue =>
  scheduleIssue(
    'This is not a schedule.',
    'a calendar (.ics) or a schedule feed (.schedule.json) that was exported from a week, with starts and stops.',
  )

export const tooLong = (): FileIssue =>
  scheduleIssue('The file goes on for too long.', 'a schedule of five years at most.')
