import type { EndpointName } from '@peen/contract'

/**
 * Changes that a tablet makes again for a school which was brought back from a backup: what a morning is made of. None that is
 * signed, none that speaks of accounts or of what the school has decided: a person does those again.
 */
const REPEATABLE = [
  'openDay',
  'sayAbsent',
  'sayHere',
  'planVisit',
  'moveVisit',
  'swapVisits',
  'cancelVisit',
  'keepFound',
  'sayReady',
  'keepChosen',
  'closeVisit',
  'writeNote',
  'keepAnswer',
  'writeEntries',
  'openGrading',
  'saveDraft'
] as const satisfies readonly EndpointName[]

export type Repeatable = (typeof REPEATABLE)[number]
export const isRepeatable = (name: EndpointName): name is Repeatable => (REPEATABLE as readonly string[]).includes(name)
