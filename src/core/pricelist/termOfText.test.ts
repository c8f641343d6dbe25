import { describe, expect, test } from 'vitest'
import { termOfText } from './termOfText.ts'

describe('terms by what a list calls them', () => {
  test.each<[string, ReturnType<typeof termOfText>]>([
    ['', { is: 'on-demand' }],
    ['On-Demand', { is: 'on-demand' }],
    ['no commitment', { is: 'on-demand' }],
    ['hourly', { is: 'on-demand' }],
    ['1y', { is: 'commitment', months: 12, upFront: 'none' }],
    ['y3', { is: 'commitment', months: 36, upFront: 'none' }],
    ['3 years all upfront', { is: 'commitment', months: 36, upFront: 'all' }],
    ['1 year part', { is: 'commitment', months: 12, upFront: 'part' }],
    ['one year, no upfront', { is: 'commitment', months: 12, upFront: 'none' }],
    ['24 Monate', { is: 'commitment', months: 24, upFront: 'none' }],
    ['m12', { is: 'commitment', months: 12, upFront: 'none' }],
    ['drei Jahre', { is: 'commitment', months: 36, upFront: 'none' }],
    ['spare capacity', { is: 'spot' }],
    ['spot', { is: 'spot' }],
    ['m 4/16', undefined],
    ['moor 2-8', undefined],
    ['premium', undefined],
    ['300 years', undefined],
  ])('%s', (text, expected) => {
    expect(termOfText(text)).toEqual(expected)
  })
})
