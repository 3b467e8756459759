// What a dog comes in with: coat, skin, nails, wishes, and whether a blade may come near it.
import type { Side } from '../terms'
import type { RegionId } from '../regions'
import type { WorkWish } from '../standard'

/** `mat` still in the coat; `matCut` a hole where one was cut out; `missing` hair that is not there. */
export const COAT_FINDINGS = ['mat', 'matCut', 'missing'] as const
export type CoatFindingKind = (typeof COAT_FINDINGS)[number]

export const COAT_FINDING_NAMES: Readonly<Record<CoatFindingKind, string>> = {
  mat: 'mat',
  matCut: 'hole, a mat cut out',
  missing: 'missing hair'
}

/** Something in the coat, marked on the figure at its true size. */
export type CoatFinding = {
  readonly kind: CoatFindingKind
  readonly region: RegionId
  readonly side: Side
  /** across the widest place, mm */
  readonly widthMm: number
  /** a mat that was combed out since: when, ISO; it came in with the dog all the same */
  readonly combedOutAt?: string
}
/** Widths that are marked: below is no finding, above is more than one place. mm */
export const FINDING_WIDTH_MM = Object.freeze({ low: 5, high: 300 })

export const SKIN_FINDINGS = ['red', 'scaly', 'licked', 'stained', 'itching', 'sore', 'lump', 'bleeding', 'infected', 'hurts'] as const
export type SkinFindingKind = (typeof SKIN_FINDINGS)[number]
export const SKIN_FINDING_NAMES: Readonly<Record<SkinFindingKind, string>> = {
  ...{ red: 'red', scaly: 'scaly', licked: 'licked', stained: 'stained', itching: 'itching' },
  ...{ sore: 'sore', lump: 'lump', bleeding: 'bleeding', infected: 'infected' },
  hurts: 'pulling hurts here'
}
export type SkinFinding = { readonly kind: SkinFindingKind; readonly region: RegionId; readonly side: Side }

/** Sore, infected, lumpy or bleeding skin: stop there, tell the owner, see a vet. Common practice, no published source. */
export const STOPPING_SKIN: ReadonlySet<SkinFindingKind> = new Set(['sore', 'lump', 'bleeding', 'infected'])

export const FEET = ['leftFore', 'rightFore', 'leftRear', 'rightRear'] as const
export type Foot = (typeof FEET)[number]
export const FOOT_NAMES: Readonly<Record<Foot, string>> = {
  leftFore: 'left fore',
  rightFore: 'right fore',
  leftRear: 'left rear',
  rightRear: 'right rear'
}

/** What was asked for on this visit: words, and where it is one, a length at a place, a side in a house rule or other work. */
export type Wish = {
  readonly what: string
  readonly askedBy: string
  readonly length: { readonly region: RegionId; readonly mm: number } | null
  readonly rule: { readonly id: string; readonly side: number } | null
  /** work that is done otherwise than the trim has it */
  readonly work?: WorkWish | null
}

/** Somebody looked, combed and said so. */
export type Gate = {
  readonly dry: boolean
  readonly combed: boolean
  readonly by: string
  readonly at: string
  /** the school's sides in its house rules as they stood then: what this visit is worked by */
  readonly house: Readonly<Record<string, number>>
}

/** What the trim is for: it decides how close a blade may go. */
export const PURPOSES = ['pet', 'show', 'exam'] as const
export type Purpose = (typeof PURPOSES)[number]

/** What was found when the dog came in. */
export type Found = {
  readonly purpose: Purpose
  readonly coat: readonly CoatFinding[]
  readonly skin: readonly SkinFinding[]
  readonly nailsOwed: readonly Foot[]
  readonly wishes: readonly Wish[]
  readonly gate: Gate | null
}
export const NOTHING_FOUND: Found = Object.freeze({ purpose: 'pet', coat: [], skin: [], nailsOwed: [], wishes: [], gate: null })
