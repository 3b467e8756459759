import { RATING_NAMES } from '@peen/contract'
import { GLOBAL_RATINGS, type GlobalRating } from '@peen/core/grade'
import type { Hands, HelpLevel, Portion, Side, StressLevel, Witness } from '@peen/core/practice'
import { t } from '../words'

type Choice<T> = { readonly value: T; readonly name: string }

/** The dog's own sides, as every sheet asks for them. */
export const SIDE_CHOICES: readonly Choice<Side>[] = [
  { value: 'left', name: t('shell.left') },
  { value: 'right', name: t('shell.right') },
  { value: 'both', name: t('shell.both') }
]

/** How much of a step's places was done: what the coat book writes. */
export const PORTION_CHOICES: readonly Choice<Portion>[] = [
  { value: 'all', name: t('shell.all') },
  { value: 'half', name: t('shell.aboutHalf') },
  { value: 'some', name: t('shell.easyHairsOnly') }
]

/** Levels of help, from none to most; alone is with the instructor in the room. */
export const HELP_CHOICES: readonly Choice<HelpLevel>[] = [
  { value: 'alone', name: t('shell.alone') },
  { value: 'onePrompt', name: t('shell.onePrompt') },
  { value: 'talkedThrough', name: t('shell.talkedThrough') },
  { value: 'handsGuided', name: t('shell.handsGuided') },
  { value: 'shown', name: t('shell.shown') }
]

/** Help that an instructor gives with more than a word. */
export const GIVEN_HELP_CHOICES = HELP_CHOICES.slice(2)

/** What a dog shows, from the first fussing on. */
export const STRESS_CHOICES: readonly Choice<StressLevel>[] = [
  { value: 'restless', name: t('shell.restlessShiftsLicksPullsAway') },
  { value: 'fights', name: t('shell.fightsPullsHardMouthsGrowls') },
  { value: 'panics', name: t('shell.panicsShakesScreamsWillNot') }
]

/** Who vouches for an attempt; nobody is an answer, and keeps it off the chart. */
export const WITNESS_CHOICES: readonly Choice<Witness>[] = [
  { value: 'watched', name: t('shell.watched') },
  { value: 'inspected', name: t('shell.inspectedAfterwards') },
  { value: 'self', name: t('shell.nobody') }
]

export const HANDS_CHOICES: readonly Choice<Hands>[] = [
  { value: 'apprentice', name: t('shell.apprentice2') },
  { value: 'instructor', name: t('shell.instructor') }
]

/** How a trim is called as a whole. */
export const RATING_CHOICES: readonly Choice<GlobalRating>[] = GLOBAL_RATINGS.map((value) => ({ value, name: RATING_NAMES[value] }))
