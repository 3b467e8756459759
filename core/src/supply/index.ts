import { door } from '../error'
import * as coverPart from './cover'
import * as programmePart from './programme'
import * as needsPart from './needs'
import * as triesPart from './tries'

export type { AskedVisit, Cover, CoverCase, Learner, Limit, Offer, Unmet } from './serves'
export type { CertificateNeeds, ChartNow, NeedCause, NeedFacts, TechniqueNeed } from './needs'
export { BELIEF_TRIES, LATEST_TRIES, MOST_TRIES, SURE_CHANCE, type Chase, type Lately } from './tries'

export const { coverFrom, greedyCover } = door(coverPart)
export const { programmeOf } = door(programmePart)
export const { needsOf, together } = door(needsPart)
export const { beliefFrom, chanceWithin, latelyOf, triesNeeded } = door(triesPart)
