import type { HelpLevel, Side } from '@peen/core/practice'

type Choice<T> = { readonly value: T; readonly name: string }

/** The dog's own sides, as every sheet asks for them. */
export const SIDE_CHOICES: readonly Choice<Side>[] = [
  { value: 'left', name: 'left' },
  { value: 'right', name: 'right' },
  { value: 'both', name: 'both' }
]

/** Levels of help, from none to most. */
export const HELP_CHOICES: readonly Choice<HelpLevel>[] = [
  { value: 'alone', name: 'alone, instructor in the room' },
  { value: 'onePrompt', name: 'one prompt' },
  { value: 'talkedThrough', name: 'talked through' },
  { value: 'handsGuided', name: 'hands guided' },
  { value: 'shown', name: 'shown' }
]

/** Help that an instructor gives with more than a word. */
export const GIVEN_HELP_CHOICES = HELP_CHOICES.slice(2)
