// Which tool, which direction, at one place of one dog: what is asked, what a rule is, what is answered.
import type { RegionId } from '../regions'
import type { Direction, Tool } from '../tools'

export const COAT_TYPES = ['wire', 'curly', 'drop', 'double', 'smooth', 'mixed'] as const
export type CoatType = (typeof COAT_TYPES)[number]

/** What is true of this dog today. `burnedHere` belongs to the place that is asked about. */
export const FACTS = [
  'light',
  'pink',
  'known',
  'takes40',
  'sensitive',
  'show',
  'skinReacts',
  'feetSore',
  'burnedHere',
  'burnedBefore',
  'cropped',
  'itches',
  'combed'
] as const
export type Fact = (typeof FACTS)[number]

/** What is kept with a dog; the rest is known from the visit, the place or the trim. */
export const DOG_FACTS = [
  'light',
  'pink',
  'takes40',
  'sensitive',
  'skinReacts',
  'feetSore',
  'cropped',
  'itches'
] as const satisfies readonly Fact[]
export type DogFact = (typeof DOG_FACTS)[number]

const COAT_WORDS: Readonly<Record<CoatType, RegExp>> = {
  wire: /wire|rough|strip/i,
  curly: /curl|wool/i,
  drop: /drop|silk/i,
  double: /double|under/i,
  smooth: /smooth|feather/i,
  mixed: /./
}

/** The coat type that a coat's own words tell, "soft wire" or "soft curly"; mixed where they tell none. */
export function coatTypeOf(words: string): CoatType {
  return COAT_TYPES.find((type) => COAT_WORDS[type].test(words)) ?? 'mixed'
}

/** The kind of work that a trim has at a place: what is outside it is no choice here. */
export type Within = {
  readonly kinds: readonly Tool['kind'][]
  /** tools by id that the trim names, the usual one first */
  readonly tools: readonly string[]
  readonly direction: Direction | null
  /** why another kind of tool, or another direction, is not taken, as a sentence */
  readonly say: string
}

export type AdviceCase = {
  readonly region: RegionId
  readonly within?: Within
  /** planned length, mm; null where the plan names none */
  readonly plannedMm: number | null
  /** what the blade left that burned this very place, mm; nothing where none did or nobody knows which */
  readonly burnedMm?: number | null
  readonly coat: CoatType
  readonly facts: ReadonlySet<Fact>
  /** house rules by id: which side the school has chosen */
  readonly house: Readonly<Record<string, number>>
  readonly rack: readonly Tool[]
}

/** Where a rule applies; everything that is named must hold. */
export type When = {
  readonly regions?: readonly RegionId[]
  readonly coats?: readonly CoatType[]
  readonly all?: readonly Fact[]
  readonly any?: readonly Fact[]
  readonly none?: readonly Fact[]
  readonly house?: { readonly id: string; readonly side: number }
  /** the plan leaves at most this, or names no length */
  readonly plannedUpToMm?: number
  /** the plan asks for nothing closer than this; a plan that names no length asks for nothing */
  readonly asksNoCloserMm?: number
  /** the plan leaves at least this */
  readonly plannedFromMm?: number
}

export type Which = {
  readonly labels?: readonly string[]
  readonly notLabels?: readonly string[]
  readonly kinds?: readonly Tool['kind'][]
  readonly toothing?: 'skip'
  /** only blades with a lever for their length */
  readonly adjustable?: true
  readonly direction?: Direction
}

/** What a rule does. A cap is the closest that may be left, mm; of all lengthening the longest holds, it does not add up; a preference ranks. */
export type Effect =
  | { readonly kind: 'forbid'; readonly which: Which }
  /** by a length, or by a blade in the direction of the place: "not closer than a 10" on a clean muzzle is a 10 against */
  | { readonly kind: 'cap'; readonly closestMm: number; readonly label?: undefined }
  | { readonly kind: 'cap'; readonly label: string }
  /** `past`: past the blade that burned here, where that is known; else by the steps */
  | { readonly kind: 'lengthen'; readonly steps: number; readonly past?: 'burn' }
  | {
      readonly kind: 'prefer'
      readonly labels?: readonly string[]
      readonly direction?: Direction
      readonly kinds?: readonly Tool['kind'][]
    }
  /** `kinds`: only where such a tool is used */
  | { readonly kind: 'caution'; readonly kinds?: readonly Tool['kind'][] }

/** One rule of the trade as data; `say` is the sentence that is shown when it fires. */
export type AdviceRule = {
  readonly id: string
  readonly when: When
  readonly does: readonly Effect[]
  readonly say: string
  readonly source: string
}

/** A tool in a direction; scissors and hands have neither direction nor a length of their own. */
export type Choice = { readonly tool: Tool; readonly direction: Direction | null; readonly lengthMm: number | null }

export type Fired = { readonly id: string; readonly say: string }
export type Ban = { readonly choice: Choice; readonly because: readonly Fired[] }

export type Advice = {
  /** allowed choices, the best first */
  readonly ranked: readonly Choice[]
  readonly bans: readonly Ban[]
  /** what to take care of here */
  readonly cautions: readonly (Fired & { readonly kinds?: readonly Tool['kind'][] })[]
  /** every rule that changed the answer: what moves the length first, what only takes tools away last */
  readonly fired: readonly Fired[]
  /** the length that is aimed at, mm, after caps and lengthening */
  readonly aimMm: number | null
  readonly say: string
}
