// What visits are asked for: what apprentices need, which dogs can come, and which visit serves which need.

/** What one apprentice needs until the day, beyond what is planned. */
export type Learner = {
  readonly id: string
  /** tries by technique */
  readonly tries: readonly { readonly techniqueId: string; readonly tries: number }[]
  /** finished trims by trim: any of these trims counts */
  readonly trims: readonly { readonly trimIds: readonly string[]; readonly count: number }[]
  /** coats and dogs other than the known ones */
  readonly newCoats: number
  readonly knownCoats: readonly string[]
  readonly newDogs: number
  readonly knownDogs: readonly string[]
  /** days on which nothing is planned yet: one dog a day */
  readonly days: number
  /** whether meeting all of these needs is all that visits have to do for this one */
  readonly canFinish: boolean
}
/** A dog in a trim that it can come in. */
export type Offer = {
  readonly id: string
  readonly dogId: string
  readonly coat: string
  readonly trimId: string
  readonly techniques: readonly string[]
}
export type CoverCase = {
  readonly learners: readonly Learner[]
  readonly offers: readonly Offer[]
  /** how often each dog can still come */
  readonly dogVisits: ReadonlyMap<string, number>
  /** visits that tables and days hold beyond those planned */
  readonly most: number
}

/** `serves`: needs of that apprentice which one such visit serves. */
export type AskedVisit = { readonly learnerId: string; readonly offerId: string; readonly times: number; readonly serves: number }
/** `noDog`: no dog comes for it; `dogs`: those that do come too seldom; `days`: the apprentice has no day left; `tables`: the room is full. */
export type Limit = 'noDog' | 'dogs' | 'days' | 'tables'
export type Unmet = {
  readonly learnerId: string
  readonly what: 'tries' | 'trims' | 'coats' | 'dogs'
  /** of tries */
  readonly techniqueId: string | null
  readonly count: number
  readonly binds: Limit
}
export type Cover = { readonly asked: readonly AskedVisit[]; readonly unmet: readonly Unmet[] }

export type Need = { readonly learner: number; readonly what: Unmet['what']; readonly techniqueId: string | null; readonly count: number }

/** Whether a dog in its trim serves a need of a learner. */
export const serves = (
  offer: Offer,
  learner: Learner,
  { what, techniqueId }: Need,
  trims: Learner['trims'][number] | undefined
): boolean =>
  what === 'tries'
    ? offer.techniques.includes(techniqueId!)
    : what === 'trims'
      ? trims!.trimIds.includes(offer.trimId)
      : what === 'coats'
        ? !learner.knownCoats.includes(offer.coat)
        : !learner.knownDogs.includes(offer.dogId)

/** What is counted once, however often it comes: a coat, a dog; null where every visit counts. */
export const kindOf = ({ what }: Pick<Need, 'what'>, offer: Offer): string | null =>
  what === 'coats' ? offer.coat : what === 'dogs' ? offer.dogId : null

/** Every need of a learner, with the trims that it is about. */
export function needsIn(learners: readonly Learner[]): readonly (Need & { readonly trims: Learner['trims'][number] | undefined })[] {
  return learners.flatMap(({ tries, trims, newCoats, newDogs }, learner) => [
    ...tries
      .filter((one) => one.tries > 0)
      .map((one) => ({ learner, what: 'tries' as const, techniqueId: one.techniqueId, count: one.tries, trims: undefined })),
    ...trims
      .filter(({ count }) => count > 0)
      .map((one) => ({ learner, what: 'trims' as const, techniqueId: null, count: one.count, trims: one })),
    ...(newCoats > 0 ? [{ learner, what: 'coats' as const, techniqueId: null, count: newCoats, trims: undefined }] : []),
    ...(newDogs > 0 ? [{ learner, what: 'dogs' as const, techniqueId: null, count: newDogs, trims: undefined }] : [])
  ])
}
