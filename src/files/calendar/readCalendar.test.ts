import { describe, expect, test } from 'vitest'
import { formatDate, parseDate } from '../../core/calendar/civil.ts'
import { MOST_CALENDAR_BYTES, readCalendar } from './readCalendar.ts'

const WITHIN = { from: parseDate('2027-01-01')!, to: parseDate('2027-12-31')! }

const calendar = (...lines: string[]): string =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Tests//EN', ...lines, 'END:VCALENDAR', ''].join('\r\n')

const event = (...lines: string[]): string =>
  calendar('BEGIN:VEVENT', 'UID:1@example.invalid', 'DTSTAMP:20270101T000000Z', ...lines, 'END:VEVENT')

function datesOf(text: string, zone = 'Europe/Lisbon') {
  const read = readCalendar(text, zone, WITHIN)
  if (!read.ok) throw new Error(JSON.stringify(read.issues))
  const { events, notes } = read.value
  return {
    notes,
    events: events.map(({ name, allDay, repeats, dates }) => ({
      name,
      allDay,
      repeats,
      dates: dates.map(({ from, to }) =>
        from === to ? formatDate(from) : `${formatDate(from)}..${formatDate(to)}`,
      ),
    })),
  }
}

describe('events as dates of a zone', () => {
  test.each([
    ['one day', ['DTSTART;VALUE=DATE:20270319', 'DTEND;VALUE=DATE:20270320'], ['2027-03-19']],
    ['one day without an end', ['DTSTART;VALUE=DATE:20270319'], ['2027-03-19']],
    ['a shut-down', ['DTSTART;VALUE=DATE:20270802', 'DTEND;VALUE=DATE:20270814'], ['2027-08-02..2027-08-13']],
    ['every year', ['DTSTART;VALUE=DATE:20200425', 'RRULE:FREQ=YEARLY'], ['2027-04-25']],
    [
      'one left out',
      ['DTSTART;VALUE=DATE:20270101', 'RRULE:FREQ=MONTHLY;COUNT=3', 'EXDATE;VALUE=DATE:20270201'],
      ['2027-01-01', '2027-03-01'],
    ],
    ['one more', ['DTSTART;VALUE=DATE:20270101', 'RDATE;VALUE=DATE:20270605'], ['2027-01-01', '2027-06-05']],
    [
      'an afternoon',
      ['DTSTART;TZID=Europe/Lisbon:20270319T130000', 'DTEND;TZID=Europe/Lisbon:20270319T180000'],
      ['2027-03-19'],
    ],
    ['until midnight', ['DTSTART:20270319T130000', 'DTEND:20270320T000000'], ['2027-03-19']],
    ['over midnight', ['DTSTART:20270319T220000', 'DTEND:20270320T020000'], ['2027-03-19..2027-03-20']],
    ['a moment', ['DTSTART:20270319T220000Z'], ['2027-03-19']],
    ['a length', ['DTSTART;VALUE=DATE:20270319', 'DURATION:P2D'], ['2027-03-19..2027-03-20']],
  ])('%s', (_, lines, dates) => {
    expect(datesOf(event('SUMMARY:A day', ...lines)).events[0]?.dates).toEqual(dates)
  })

  test('a timed event is on the dates that it touches in the zone of the week', () => {
    const late = event('SUMMARY:Late', 'DTSTART;TZID=Asia/Kolkata:20270320T010000', 'DURATION:PT1H')
    expect(datesOf(late).events[0]?.dates).toEqual(['2027-03-19'])
    expect(datesOf(late, 'Asia/Kolkata').events[0]?.dates).toEqual(['2027-03-20'])
  })

  test('a zone of the file’s own is read as the file says', () => {
    const text = calendar(
      'BEGIN:VTIMEZONE', 'TZID:Depot', 'BEGIN:STANDARD', 'DTSTART:19700101T000000', 'TZOFFSETFROM:+0530',
      'TZOFFSETTO:+0530', 'END:STANDARD', 'END:VTIMEZONE',
      'BEGIN:VEVENT', 'UID:2@example.invalid', 'SUMMARY:Late', 'DTSTART;TZID=Depot:20270320T010000', 'DURATION:PT1H', 'END:VEVENT',
    ) // prettier-ignore
    expect(datesOf(text)).toMatchObject({ events: [{ dates: ['2027-03-19'] }], notes: [] })
  })

  test('a zone that nobody knows is read on the week’s clock, and said', () => {
    const { events, notes } = datesOf(
      event('SUMMARY:Odd', 'DTSTART;TZID=Moon/Base:20270319T130000', 'DURATION:PT1H'),
    )
    expect(events[0]?.dates).toEqual(['2027-03-19'])
    expect(notes).toEqual([
      '“Moon/Base” is not a time zone that is known: its times are read on the week’s clock.',
    ])
  })

  test('what is cancelled, or outside, is left out; names become one line', () => {
    expect(datesOf(event('SUMMARY:Off', 'STATUS:CANCELLED', 'DTSTART;VALUE=DATE:20270319')).events).toEqual(
      [],
    )
    expect(datesOf(event('SUMMARY:Old', 'DTSTART;VALUE=DATE:20190319')).events).toEqual([])
    expect(datesOf(event('SUMMARY:Two\\nlines', 'DTSTART;VALUE=DATE:20270319')).events[0]?.name).toBe(
      'Two lines',
    )
  })
})

describe('bad input', () => {
  test.each([
    ['', /not an iCalendar file/],
    ['hello', /not an iCalendar file/],
    ['{"a":1}', /not an iCalendar file/],
    ['BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n', /not an iCalendar file/],
    ['BEGIN:VCARD\r\nEND:VCARD\r\n', /not an iCalendar file/],
    ['x'.repeat(MOST_CALENDAR_BYTES + 1), /has 9 MiB/],
    [
      calendar(
        ...Array.from({ length: 5_001 }, () => 'BEGIN:VEVENT\r\nDTSTART:20270101T000000Z\r\nEND:VEVENT'),
      ),
      /5001 events/,
    ],
  ])('%#', (text, problem) => {
    const read = readCalendar(text, 'Etc/UTC', WITHIN)
    expect(read.ok ? '' : read.issues[0].problem).toMatch(problem)
  })

  test('a rule that repeats without end, or every second, is left out with a note', () => {
    for (const rule of ['FREQ=SECONDLY', 'FREQ=MINUTELY;INTERVAL=2', 'FREQ=HOURLY']) {
      const { events, notes } = datesOf(event('SUMMARY:Tick', 'DTSTART:19800101T000000Z', `RRULE:${rule}`))
      expect(events).toEqual([])
      expect(notes).toEqual(['“Tick” is left out: it repeats too often to be a holiday.'])
    }
  })

  test.each([
    ['FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30', 'its rule never comes to a date'],
    ['FREQ=HOURLY;BYMONTH=2;BYMONTHDAY=31', 'its rule never comes to a date'],
    ['FREQ=MONTHLY;BYSETPOS=40;BYDAY=MO', 'its rule never comes to a date'],
    ['FREQ=YEARLY;INTERVAL=100000000000', 'its rule has an interval of 100000000000'],
    ['FREQ=DAILY;INTERVAL=100000000000', 'its rule has an interval of 100000000000'],
  ])('the rule %s, which never comes to a date, ends with a note', (rule, why) => {
    const { events, notes } = datesOf(event('SUMMARY:Never', 'DTSTART;VALUE=DATE:20270101', `RRULE:${rule}`))
    expect([events, notes]).toEqual([[], [`“Never” is left out: ${why}.`]])
  })

  test('a 30 February is no other day', () => {
    const rule = 'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30'
    expect(datesOf(event('DTSTART;VALUE=DATE:20270101', rule)).events).toEqual([])
    const leap = 'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=-1'
    expect(datesOf(event('DTSTART;VALUE=DATE:20200229', leap)).events[0]?.dates).toEqual(['2027-02-28'])
  })

  test('rules that share no end are followed for so long in all', () => {
    const endless = Array.from({ length: 2_000 }, (_, i) =>
      [`BEGIN:VEVENT`, `SUMMARY:Never ${i}`, 'DTSTART;VALUE=DATE:20270101', 'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30', 'END:VEVENT'].join('\r\n'),
    ) // prettier-ignore
    const { events, notes } = datesOf(calendar(...endless))
    expect([events, notes.length]).toEqual([[], 21])
    expect(notes[19]).toContain('the rules of this file take too long to follow')
    expect(notes[20]).toBe('1980 more notes like these.')
  })

  test.each(['RDATE', 'EXDATE'])('300,000 dates of %s are named and left out', (property) => {
    const list = `${property};VALUE=DATE:${Array(300_000).fill('20270102').join(',')}`
    const { events, notes } = datesOf(
      event('SUMMARY:Many', 'DTSTART;VALUE=DATE:20270101', 'RRULE:FREQ=DAILY;COUNT=5', list),
    )
    expect(events[0]?.dates).toHaveLength(5)
    expect(notes).toEqual(['Line 10 is left out: it lists more than 5,000 dates.'])
  })

  test.each(['20271399T996199Z', '20270230T000000Z', '20270101T250000Z'])('%s is no start', (time) => {
    const { events, notes } = datesOf(event('SUMMARY:When', `DTSTART:${time}`))
    expect([events, notes]).toEqual([[], ['“When” is left out: its start is no date or time.']])
  })

  test.each([
    ['offsets that are none', ['TZOFFSETFROM:x', 'TZOFFSETTO:y']],
    [
      'a rule that never comes to a date',
      ['TZOFFSETFROM:+0530', 'TZOFFSETTO:+0530', 'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30'],
    ],
  ])('a zone with %s is not known', (_, lines) => {
    const text = calendar(
      'BEGIN:VTIMEZONE', 'TZID:Depot', 'BEGIN:STANDARD', 'DTSTART:19700101T000000', ...lines, 'END:STANDARD', 'END:VTIMEZONE',
      'BEGIN:VEVENT', 'SUMMARY:Late', 'DTSTART;TZID=Depot:20270320T010000', 'DURATION:PT1H', 'END:VEVENT',
    ) // prettier-ignore
    const { events, notes } = datesOf(text)
    expect(events[0]?.dates).toEqual(['2027-03-20'])
    expect(notes[0]).toContain('“Depot” is not a time zone that is known')
  })

  test('a broken line or part is named, and the rest is read', () => {
    const good = (name: string) => [
      'BEGIN:VEVENT',
      `SUMMARY:${name}`,
      'DTSTART;VALUE=DATE:20270319',
      'END:VEVENT',
    ]
    const broken = [...good('A').slice(0, -1), 'no value here', 'END:VEVENT', 'BEGIN:VEVENT', 'DTSTART:20270319T120000Z', 'RRULE:FREQ=MINUTELY;BYHOUR=25', 'END:VEVENT', ...good('B')] // prettier-ignore
    const { events, notes } = datesOf(calendar(...broken))
    expect(events.map(({ name }) => name)).toEqual(['A', 'B'])
    expect(notes).toEqual([
      'Line 7 is left out: “no value here” is not a name with a value.',
      'The part that begins at line 9 cannot be read and is left out.',
    ])
    const whole = calendar(...good('A'), ...good('B'))
    const cut = datesOf(whole.slice(0, whole.lastIndexOf('DTSTART')))
    expect(cut.events.map(({ name }) => name)).toEqual(['A'])
    expect(cut.notes).toEqual(['The file ends in the middle of the part that begins at line 8.'])
  })

  test('where nothing lies in the years that are asked about, it is known which years the file has', () => {
    const text = event('SUMMARY:Old', 'DTSTART;VALUE=DATE:20190319', 'DTEND;VALUE=DATE:20190402')
    const read = readCalendar(text, 'Etc/UTC', WITHIN)
    const covers = read.ok ? read.value.covers : undefined
    expect(covers && [formatDate(covers.from), formatDate(covers.to)]).toEqual(['2019-03-19', '2019-04-01'])
  })

  test('a name of the IANA list needs no description', () => {
    const text = event('SUMMARY:Late', 'DTSTART;TZID=Asia/Kolkata:20270320T010000', 'DURATION:PT1H')
    expect(datesOf(text)).toMatchObject({ events: [{ dates: ['2027-03-19'] }], notes: [] })
  })

  test('an event without a start, or with a broken one, does not hold back the others', () => {
    const text = calendar(
      'BEGIN:VEVENT', 'SUMMARY:No start', 'END:VEVENT',
      'BEGIN:VEVENT', 'SUMMARY:Broken', 'DTSTART:2027', 'END:VEVENT',
      'BEGIN:VEVENT', 'SUMMARY:Good', 'DTSTART;VALUE=DATE:20270319', 'END:VEVENT',
    ) // prettier-ignore
    const { events, notes } = datesOf(text)
    expect(events.map(({ name }) => name)).toContain('Good')
    expect(notes.join(' ')).toContain('“No start” is left out')
  })
})
