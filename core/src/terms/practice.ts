// How much help, and which side of a dog.
export const HELP_LEVELS = ['shown', 'handsGuided', 'talkedThrough', 'onePrompt', 'alone'] as const
/** How much help an attempt had, from most to least; `alone` is with the instructor in the room. */
export type HelpLevel = (typeof HELP_LEVELS)[number]

export const SIDES = ['left', 'right', 'both'] as const
export type Side = (typeof SIDES)[number]
