import type { CoreIssue } from '../error'
import { regionName, REGIONS, type RegionId } from '../regions'
import type { Side } from '../terms'
import { COAT_FINDING_NAMES, FINDING_WIDTH_MM, STOPPING_SKIN, type CoatFinding, type Found, type SkinFinding } from './types'

/** "left ribs", "skull" */
export function sayPlaceOf(region: RegionId, side: Side): string {
  const name = regionName(region).toLowerCase()
  return side === 'both' ? name : `${side} ${name}`
}

/** "mat at the left ribs, 40 mm across" */
export function sayFinding({ kind, region, side, widthMm, combedOutAt }: CoatFinding): string {
  return `${COAT_FINDING_NAMES[kind]} at the ${sayPlaceOf(region, side)}, ${widthMm} mm across${combedOutAt ? ', combed out' : ''}`
}

/** What came in with the dog and is nobody's fault: places with their reason, as a grade sheet excuses them. */
export function excusedBy(coat: readonly CoatFinding[]): { readonly region: RegionId; readonly side: Side; readonly reason: string }[] {
  return coat
    .filter(({ kind }) => kind !== 'mat')
    .map(({ kind, region, side, widthMm }) => ({
      region,
      side,
      reason: `${kind === 'matCut' ? 'a hole where a mat was cut out' : 'hair missing'}, ${widthMm} mm across`
    }))
}

/** Skin that stops the work at its place, with the sentence. Defers to a veterinary surgeon. */
export function skinStops(
  skin: readonly SkinFinding[]
): readonly { readonly region: RegionId; readonly side: Side; readonly say: string }[] {
  return skin
    .filter(({ kind }) => STOPPING_SKIN.has(kind))
    .map(({ kind, region, side }) => {
      const what = kind === 'lump' ? 'A lump' : `${kind[0]!.toUpperCase()}${kind.slice(1)} skin`
      return {
        region,
        side,
        say: `${what} at the ${sayPlaceOf(region, side)}: do not cut there. Tell the owner and have a vet look at it.`
      }
    })
}

const FEET_REGIONS: ReadonlySet<RegionId> = new Set(['foreFoot', 'rearFoot', 'toes', 'pads'])

/** What today's skin says for the choice of a blade. The test between the pads counts for the whole dog. Common practice. */
export function factsFromSkin(skin: readonly SkinFinding[]): readonly ('feetSore' | 'skinReacts' | 'sensitive')[] {
  const has = (regions: ReadonlySet<RegionId>, kinds: readonly SkinFinding['kind'][]) =>
    skin.some(({ region, kind }) => regions.has(region) && kinds.includes(kind))
  return [
    ...(has(FEET_REGIONS, ['licked', 'stained', 'sore', 'red', 'bleeding', 'infected']) ? (['feetSore'] as const) : []),
    ...(has(new Set(['pads', 'toes']), ['red', 'scaly', 'itching']) ? (['skinReacts'] as const) : []),
    ...(has(new Set(['muzzle', 'cheek', 'throat']), ['red', 'scaly', 'itching']) ? (['sensitive'] as const) : [])
  ]
}

export type Ready = { readonly ready: boolean; readonly missing: readonly string[] }

/** The ready-to-cut gate: dry, combed to the skin, no mat where it will be cut, and who says so. Common practice. */
export function readyToCut({ gate, coat }: Found): Ready {
  const missing = [
    ...(gate ? [] : ['No one has confirmed that this dog is ready to cut.']),
    ...(gate && !gate.dry ? ['The coat is not dry.'] : []),
    ...(gate && !gate.combed ? ['The coat is not combed to the skin: a comb will jam and a blade will drag.'] : []),
    ...coat
      .filter(({ kind, combedOutAt }) => kind === 'mat' && !combedOutAt)
      .map(({ region, side, widthMm }) => `A mat of ${widthMm} mm is still in at the ${sayPlaceOf(region, side)}: take it out first.`)
  ]
  return { ready: missing.length === 0, missing }
}

/** A dog that may not be worked on as others are. A refusal holds by a vet's word or by two people. */
export type DogStanding = {
  readonly kind: 'limited' | 'refused'
  readonly reason: string
  readonly vet: boolean
  readonly by: readonly string[]
  readonly onDate: string
}

/** What a dog's standing means for a visit: null where nothing stands against it. */
export function standingOf(
  dog: string,
  standing: DogStanding | null
): { readonly code: 'dogLimited' | 'dogRefused'; readonly blocks: boolean; readonly say: string } | null {
  if (!standing) return null
  const { kind, reason, vet, by } = standing
  if (kind === 'limited') return { code: 'dogLimited', blocks: false, say: `${dog} can be worked on only with limits: ${reason}.` }
  const holds = vet || by.length >= 2
  return {
    code: 'dogRefused',
    blocks: holds,
    say: holds
      ? `${dog} must not be worked on: ${reason}${vet ? ', on a vet’s advice' : ', decided by two people'}.`
      : `One person has refused ${dog}: ${reason}. A second person or a vet must decide.`
  }
}

/** What is wrong with a check-in: a width no finding has, a side where the place has none, one place marked twice. */
export function checkInIssues({ coat, skin }: Pick<Found, 'coat' | 'skin'>): CoreIssue[] {
  const paired = new Set<RegionId>(REGIONS.flatMap(({ id, paired: two }) => (two ? [id] : [])))
  const issues: CoreIssue[] = []
  coat.forEach(({ widthMm }, i) => {
    const { low, high } = FINDING_WIDTH_MM
    if (!(widthMm >= low && widthMm <= high))
      issues.push({ code: 'outOfRange', path: `coat.${i}.widthMm`, got: widthMm, limit: `${low} to ${high} mm` })
  })
  for (const [list, found] of [
    ['coat', coat],
    ['skin', skin]
  ] as const) {
    const seen = new Set<string>()
    found.forEach(({ kind, region, side }, i) => {
      if (!paired.has(region) && side !== 'both')
        issues.push({
          code: 'sideless',
          path: `${list}.${i}.side`,
          got: side,
          limit: `both, since ${regionName(region).toLowerCase()} has no sides`
        })
      const key = `${kind} ${region} ${side}`
      if (seen.has(key))
        issues.push({ code: 'twice', path: `${list}.${i}`, got: `${kind} at ${region}`, limit: 'one of a kind at a place and side' })
      seen.add(key)
    })
  }
  return issues
}
