import type { Outcome, PartResult, Verdict } from '@peen/core/grade'
import type { Station } from '@peen/core/standard'
import type { GlyphName } from '../components/glyphs'
import { t } from '../words'

export const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  unfinished: t('shell.notFinished'),
  feedbackOnly: t('shell.feedbackOnly'),
  passed: t('shell.passed'),
  notPassed: t('shell.notPassed'),
  secondAssessor: t('shell.secondAssessorNeeded')
}

export const STATION_WORDS: Readonly<Record<Station, string>> = {
  side: t('shell.side'),
  front: t('shell.front'),
  rear: t('shell.rear'),
  above: t('shell.above'),
  hand: t('shell.hand'),
  handling: t('shell.handling')
}

const GLYPH_OF: Readonly<Record<Verdict, GlyphName>> = {
  meets: 'meets',
  fails: 'fails',
  cannotTell: 'cannotTell',
  excused: 'excused',
  instructor: 'excused',
  notAnswered: 'missing'
}

/** The shape of an answer: its departure where it has one, else its verdict. */
export function glyphOfPart(part: PartResult): GlyphName {
  return part.departure ?? GLYPH_OF[part.verdict]
}

const WORDS: Readonly<Record<Verdict, string>> = {
  meets: t('shell.meets'),
  fails: t('shell.fails'),
  cannotTell: t('shell.cannotTell'),
  excused: t('shell.likeArrival'),
  instructor: t('shell.instructors'),
  notAnswered: t('shell.notAnswered')
}

/** The answer of a criterion in one word: that of its worst part, with the side where sides differ. */
export function wordOfParts(parts: readonly PartResult[]): { readonly part: PartResult; readonly word: string } {
  const order: Verdict[] = ['notAnswered', 'fails', 'cannotTell', 'instructor', 'excused', 'meets']
  const worst = [...parts].sort((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict))[0]
  const same = parts.every((part) => part.verdict === worst.verdict)
  const side = worst.side === 'whole' || same ? '' : `, ${worst.side}`
  return { part: worst, word: `${worst.departure ?? WORDS[worst.verdict]}${side}` }
}
