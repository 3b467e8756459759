import { door } from '../error'
import * as coverPart from './cover'
import * as needsPart from './needs'
import * as triesPart from './tries'

export type { AskedVisit, Cover, CoverCase, Learner, Limit, Offer, Unmet } from './cover'
export type { CertificateNeeds, ChartNow, NeedCause, NeedFacts, TechniqueNeed } from './needs'
export { BELIEF_TRIES, LATEST_TRIES, MOST_TRIES, SURE_CHANCE, type Chase, type Lately } from './tries'

export const { coverFrom, greedyCover, programmeOf } = door(coverPart)
export const { needsOf, together } = door(needsPart)
export const { beliefFrom, chanceWithin, latelyOf, triesNeeded } = door(triesPart)
