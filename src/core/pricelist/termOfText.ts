import type { TermAnswer } from './listMapping.ts'

const UNBOUND =
  /on.?demand|hourly|none|\bpay|flex|free|unbound|no.?(term|commit)|st(ue|ü)ndlich|sans|ohne|\blist\b/i
const SPOT = /spot|spare|surplus|interrupt|reclaim|pre.?empt/i
const YEARS = /(\d{1,2})[\s_-]*(?:y|yr|yrs|year|years|jahre?|ans?)(?![a-z])|^(?:y|yr|year)[\s_-]*(\d{1,2})$/i
const MONTHS = /(\d{1,2})[\s_-]*(?:m|mo|mon|mth|mths|months?|monate?|mois)(?![a-z])|^m[\s_-]*(\d{1,2})$/i
const ONE_YEAR = /\b(one|a|ein(?:es|em)?|un)[\s-]+(?:year|jahr|an)/i
const THREE_YEARS = /\b(three|drei|trois)[\s-]+(?:years?|jahre?|ans)/i
const MOST_MONTHS = 120

/** What terms are that a list calls so; undefined where its words do not say. */
export function termOfText(text: string): Omit<TermAnswer, 'text'> | undefined {
  if (text.trim() === '') return { is: 'on-demand' }
  if (SPOT.test(text)) return { is: 'spot' }
  const months = monthsOf(text)
  if (months !== undefined && months > 0 && months <= MOST_MONTHS) {
    return { is: 'commitment', months, upFront: upFrontOf(text) }
  }
  return UNBOUND.test(text) ? { is: 'on-demand' } : undefined
}

function monthsOf(text: string): number | undefined {
  const years = YEARS.exec(text)
  if (years) return Number(years[1] ?? years[2]) * 12
  if (ONE_YEAR.test(text)) return 12
  if (THREE_YEARS.test(text)) return 36
  const months = MONTHS.exec(text)
  return months ? Number(months[1] ?? months[2]) : undefined
}

const upFrontOf = (text: string): 'none' | 'part' | 'all' =>
  /\bno\b|none|ohne/i.test(text)
    ? 'none'
    : /part|half/i.test(text)
      ? 'part'
      : /\ball\b|full|whole/i.test(text)
        ? 'all'
        : 'none'
