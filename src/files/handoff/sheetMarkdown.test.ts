import { expect, test } from 'vitest'
import { markdownText, sheetMarkdown } from './sheetMarkdown.ts'

test('a sheet is headings, tables and lists to tick off', () => {
  const text = sheetMarkdown({
    title: 'bench-one',
    about: 'March 2027',
    currency: 'EUR',
    sections: [
      {
        title: 'Where',
        lines: [
          { ask: 'Region', answer: 'East' },
          { ask: 'Size', answer: 'A|B', perHour: '0.2', perMonth: '47.54' },
        ],
      },
    ],
    total: { perHour: '0.2133', perMonth: '57.40' },
    checklists: [{ title: 'Creating', items: ['Look at the *price*'] }],
  })
  expect(text).toBe(
    [
      '# bench-one',
      '',
      'March 2027',
      '',
      '## Where',
      '',
      '| asked for | answer | EUR an hour on | EUR a month |',
      '| --- | --- | ---: | ---: |',
      '| Region | East |  |  |',
      '| Size | A\\|B | 0.2 | 47.54 |',
      '',
      '**In all: 0.2133 EUR an hour when on, 57.40 EUR a month.**',
      '',
      '## Creating',
      '',
      '- [ ] Look at the \\*price\\*',
      '',
    ].join('\n'),
  )
})

test.each([
  ['<img src=x onerror=alert(1)>', '\\<img src=x onerror=alert(1)\\>'],
  ['[a](http://b)', '\\[a\\](http://b)'],
  ['- item', '\\- item'],
  ['1. item', '\\1. item'],
  ['a\nb', 'a b'],
])('%s is text', (text, shown) => {
  expect(markdownText(text)).toBe(shown)
})
