import type { HelpLevel } from '../terms'

/** How much help each level is, 0 (alone) to 4 (shown). */
export const HELP_WEIGHT: Readonly<Record<HelpLevel, number>> = { alone: 0, onePrompt: 1, talkedThrough: 2, handsGuided: 3, shown: 4 }
