import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import { strFromU8, unzipSync } from 'fflate'
import { axeFindings } from './axe'
import { Workbench } from './workbench'
import { test } from './openedPage'

/** A week's exceptions from a calendar file, and the week as files for real schedulers. */

const WEEK = '/?machine=timetable-loadgen&view=week'

const HOLIDAYS = [
  'BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Depot//EN',
  'BEGIN:VEVENT', 'UID:1@depot.invalid', 'SUMMARY:Depot anniversary', 'DTSTART;VALUE=DATE:20200323', 'RRULE:FREQ=YEARLY', 'END:VEVENT',
  'BEGIN:VEVENT', 'UID:2@depot.invalid', 'SUMMARY:Soak test', 'DTSTART;VALUE=DATE:20270306', 'DTEND;VALUE=DATE:20270308', 'END:VEVENT',
  'BEGIN:VEVENT', 'UID:3@depot.invalid', 'SUMMARY:Fire drill', 'DTSTART:20270312T100000Z', 'DURATION:PT1H', 'END:VEVENT',
  'END:VCALENDAR', '',
].join('\r\n') // prettier-ignore

const chooseCalendar = async (page: Page, text: string): Promise<void> => {
  await page.getByRole('button', { name: 'From a calendar file…' }).click()
  const file = { name: 'depot.ics', mimeType: 'text/calendar', buffer: Buffer.from(text) }
  await page.locator('input[aria-label="Calendar file with holidays"]').setInputFiles(file)
}

test('holidays come from a calendar file, each off, on or ignored, and go again', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  const start = await bench.total()
  await chooseCalendar(page, HOLIDAYS)
  const dialog = page.getByRole('dialog', { name: 'Exceptions from a calendar file' })
  await expect(dialog).toContainText('depot.ics: 3 events.')
  await expect(dialog.getByRole('button', { name: /ignored What Fire drill means/ })).toBeVisible()
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
  await dialog.getByRole('button', { name: /What Soak test means/ }).click()
  await page.getByRole('option', { name: 'runs through' }).click()
  // The anniversary in three years, and two days of soak test.
  await dialog.getByRole('button', { name: 'Take 4 exceptions' }).click()
  const section = page.getByRole('region', { name: 'Exceptions' })
  await expect(section).toContainText('23 March 2027 stays offDepot anniversary')
  await expect(section).toContainText('6 to 7 March 2027 runs throughSoak test')
  // One office day less, a weekend more.
  await expect(page.getByText('258 h on, 22 starts')).toBeVisible()
  await section.getByRole('button', { name: 'Delete 6 to 7 March 2027' }).click()
  await expect(page.getByText('210 h on, 21 starts')).toBeVisible()
  await bench.undo.click()
  await bench.undo.click()
  await expect.poll(() => bench.total()).toBe(start)
})

test('a file that is no calendar is refused, and changes nothing', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  await chooseCalendar(page, 'BEGIN:VCALENDAR\r\nBEGIN:VEV')
  const dialog = page.getByRole('dialog', { name: 'Exceptions from a calendar file' })
  await expect(dialog).toContainText('Nothing was changed.')
  await expect(dialog).toContainText('This is not an iCalendar file')
  await page.keyboard.press('Escape')
  await expect(bench.nothingToUndo).toBeDisabled()
})

test('the week is filled, a day copied, a second clock shown', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  await page.getByRole('button', { name: 'Fill the week' }).click()
  await page.getByRole('menuitem', { name: 'Nights, 22:00 to 06:00' }).click()
  const times = (day: string) => page.getByRole('textbox', { name: `${day}, times on` })
  await expect(times('Friday')).toHaveValue('22:00–06:00+1')
  await page.getByRole('button', { name: 'Copy Friday' }).click()
  await page.getByRole('menuitem', { name: 'Copy to Saturday' }).click()
  await expect(times('Saturday')).toHaveValue('22:00–06:00+1')
  const zone = page.getByRole('combobox', { name: 'Second clock' })
  await zone.fill('Kolkata')
  await page.getByRole('option', { name: 'Asia/Kolkata' }).click()
  await expect(
    page.getByText('Asia/Kolkata is 5 h 30 min ahead, from 28 March on 4 h 30 min ahead'),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Fill the week' }).click()
  await page.getByRole('menuitem', { name: 'Office days here and in Asia/Kolkata' }).click()
  await expect(times('Monday')).toHaveValue('03:30–17:00')
  await page.getByRole('button', { name: /Painting snaps to/ }).click()
  await page.getByRole('option', { name: '60 min' }).click()
  await bench.paint([5, 9.2], [5, 10.7])
  await expect(times('Saturday')).toHaveValue('09:00–11:00')
})

test('what forgetting costs follows the week and the state when off', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  const section = page.getByRole('region', { name: 'If someone forgets' })
  const night = section.getByRole('listitem').filter({ hasText: 'One night left on' })
  await expect(night).toContainText(/\+€ 2\.\d\d.*1 March 18:00 to 2 March 08:00, 14 h/)
  await expect(section).toContainText('5 March 18:00 to 8 March 08:00, 62 h')
  const before = await night.innerText()
  const monday = page.getByRole('textbox', { name: 'Monday, times on' })
  await monday.fill('8-22')
  await monday.press('Enter')
  await expect(night).toContainText('1 March 22:00 to 2 March 08:00, 10 h')
  await bench.undo.click()
  await expect(night).toHaveText(before.replaceAll('\n', ''))
  await page.getByRole('button', { name: /When off/ }).click()
  await page.getByRole('option', { name: /Always on/ }).click()
  await expect(section).toBeHidden()
})

test('an auto-shutdown cuts the week, bounds what forgetting costs, and leaves with the export', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  const start = await bench.total()
  await shutDownDaily(page)
  const night = page.getByRole('listitem').filter({ hasText: 'One night left on' })
  await expect(night).toContainText(/until auto-shutdown, 1 March 20:00\+€ 0\.\d\d/)
  expect(await bench.total()).toBe(start)
  const time = page.getByRole('textbox', { name: 'Time of the auto-shutdown' })
  await time.fill('5 p')
  await expect(page.getByText('Write a time like 20:00.')).toBeVisible()
  await time.fill('17:00')
  await time.press('Enter')
  await expect(page.getByText('198 h on, 22 starts')).toBeVisible()
  await page.getByRole('button', { name: 'Export…' }).click()
  expect((await save(page)).get('depot-day.ics')).toContain('DTSTART;TZID=Europe/Lisbon:20270301T170000')
  await page.keyboard.press('Escape')
  await bench.undo.click()
  await bench.undo.click()
  await expect(page.getByRole('group', { name: 'Auto-shutdown' })).toContainText('none')
  await expect.poll(() => bench.total()).toBe(start)
})

/** Sets an auto-shutdown for every day; a new one is at 20:00. */
async function shutDownDaily(page: Page, at?: string): Promise<void> {
  await page.getByRole('button', { name: /Days of the auto-shutdown/ }).click()
  await page.getByRole('option', { name: 'every day' }).click()
  if (at === undefined) return
  const time = page.getByRole('textbox', { name: 'Time of the auto-shutdown' })
  await time.fill(at)
  await time.press('Enter')
}

test('an auto-shutdown with a state of its own is priced, drawn, advised and exported as that', async ({
  page,
}) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  const start = await bench.total()
  await shutDownDaily(page, '18:00')
  expect(await bench.total()).toBe(start)
  await page.getByRole('button', { name: /State after the auto-shutdown/ }).click()
  await page.getByRole('option', { name: /Stopped/ }).click()
  // Kept hardware is charged all month.
  await expect.poll(() => bench.total()).toBeGreaterThan(start)
  await expect(page.getByText(/gaps begin with the auto-shutdown and are stopped by it/)).toBeVisible()
  await page.getByRole('button', { name: 'Export…' }).click()
  const calendar = (await save(page)).get('depot-day.ics')
  expect(calendar).toContain('SUMMARY:Depot day: off\\, auto-shutdown')
  await page.keyboard.press('Escape')
  await page.reload()
  await expect(page.getByRole('button', { name: /State after the auto-shutdown/ })).toContainText('Stopped')
  await bench.undo.click()
  await expect.poll(() => bench.total()).toBe(start)
})

/** Saves what the dialog shows and answers the files by name. */
async function save(page: Page): Promise<Map<string, string>> {
  const downloading = page.waitForEvent('download')
  await page.getByRole('button', { name: /^Save / }).click()
  const download = await downloading
  const bytes = readFileSync(await download.path())
  const name = download.suggestedFilename()
  if (!name.endsWith('.zip')) return new Map([[name, bytes.toString('utf8')]])
  return new Map(
    Object.entries(unzipSync(new Uint8Array(bytes))).map(([file, text]) => [file, strFromU8(text)]),
  )
}

test('every format is exported, with what it holds said before', async ({ page }) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  await page.getByRole('button', { name: 'Export…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Export “Depot day” to schedulers' })
  const choose = async (format: string): Promise<void> => {
    await dialog.getByRole('button', { name: /Format of the schedule/ }).click()
    await page.getByRole('option', { name: format }).click()
  }
  await expect(dialog).toContainText('2 weekly events')
  const calendar = (await save(page)).get('depot-day.ics')!
  expect(calendar).toContain('EXDATE;TZID=Europe/Lisbon:20270319T080000')

  await choose('crontab and script')
  await expect(dialog).toContainText('with any cron on a computer of any zone')
  const command = dialog.getByRole('textbox', { name: 'To start a machine' })
  await command.fill('power "{machine}"')
  await expect(dialog).toContainText('Write {machine} without quotes around it')
  await command.fill('power on {machine} --in {region}; logger done')
  await command.press('Enter')
  expect(await axeFindings(page, { within: 'main' })).toEqual([])
  const cron = await save(page)
  expect([...cron.keys()].sort()).toEqual(['depot-day.crontab', 'depot-day.sh'])
  expect(cron.get('depot-day.sh')).toContain(
    "sh -c 'power on signal-replay --in porto; logger done' || failed=1",
  )
  expect(spawnSync('sh', ['-n'], { input: cron.get('depot-day.sh')! }).status).toBe(0)
  for (const line of cron
    .get('depot-day.crontab')!
    .split('\n')
    .filter((each) => /^\d/.test(each))) {
    expect(spawnSync('sh', ['-n'], { input: line.split(' ').slice(5).join(' ') }).status).toBe(0)
  }

  await choose('systemd timers')
  const units = await save(page)
  expect([...units.keys()]).toContain('depot-day@.service')
  expect(units.get('depot-day-on-0800.timer')).toContain(
    'OnCalendar=Mon,Tue,Wed,Thu,Fri *-*-* 08:00:00 Europe/Lisbon',
  )

  await choose('Script to apply now')
  expect(spawnSync('sh', ['-n'], { input: [...(await save(page)).values()][0]! }).status).toBe(0)

  await choose('Schedule feed')
  await dialog.getByRole('button', { name: /Machines of the schedule/ }).click()
  await page.getByRole('option', { name: 'timetable-loadgen', exact: true }).click()
  const feed = JSON.parse((await save(page)).get('depot-day-timetable-loadgen.schedule.json')!) as {
    machines: { name: string; off: string }[]
  }
  expect(feed.machines).toEqual([
    { name: 'timetable-loadgen', region: 'porto', on: 'start', off: 'hibernate' },
  ])

  const last = dialog.getByRole('textbox', { name: 'to', exact: true })
  await last.fill('2040-01-01')
  await expect(dialog).toContainText('five years at most')
})

test('an exported calendar becomes a week again, and another file is refused', async ({ page }, info) => {
  const bench = new Workbench(page)
  await bench.open(WEEK)
  const start = await bench.total()
  await page.getByRole('button', { name: 'Export…' }).click()
  const text = (await save(page)).get('depot-day.ics')!
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Week', exact: true }).click()
  await page.getByRole('menuitem', { name: 'New week from a schedule file…' }).click()
  const input = page.getByLabel('Schedule file', { exact: true })
  await input.setInputFiles({ name: 'other.ics', mimeType: 'text/calendar', buffer: Buffer.from('BEGIN:VCALENDAR\r\nEND:VCALENDAR\r\n') }) // prettier-ignore
  await expect(page.getByText('This is not a schedule.')).toBeVisible()
  await input.setInputFiles({ name: `${info.title.slice(0, 8)}.ics`, mimeType: 'text/calendar', buffer: Buffer.from(text) }) // prettier-ignore
  await expect(page.getByText('it switches exactly as the file does')).toContainText('1 exception')
  await page.getByRole('button', { name: 'Make it a week for this machine' }).click()
  await expect(page.getByText('used by this machine alone')).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'Monday, times on' })).toHaveValue('08:00–18:00')
  await expect.poll(() => bench.total()).toBe(start)
})
