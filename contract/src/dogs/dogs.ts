import { COAT_TYPES, DOG_FACTS, type CoatType, type DogFact } from '@peen/core/advice'
import type { DogStanding } from '@peen/core/checkin'
import { WITHERS_LIMITS_MM, type Measures } from '@peen/core/figure'
import type { BurnPlace } from '@peen/core/grade'
import { SIDES } from '@peen/core/practice'
import { REGION_IDS } from '@peen/core/regions'
import { between, chosen, date, maybe, named, oneOf, within, words } from '../shape/fields'
import { array, mixed, object, boolean, uuid } from '../shape/yup'

/** What a dog is known for, as an instructor keeps it: it decides which tools are advised. */
export const dogFactsSchema = object({
  facts: array()
    .of(
      mixed<DogFact>()
        .oneOf([...DOG_FACTS], ({ path, value }) => `${path} is ${String(value).slice(0, 40)}; it must be ${DOG_FACTS.join(', ')}.`)
        .required()
    )
    .required()
    .max(DOG_FACTS.length)
}).noUnknown()
export type DogFacts = { readonly facts: readonly DogFact[] }

export const DOG_FACT_NAMES: Readonly<Record<DogFact, string>> = {
  light: 'light coat',
  pink: 'pink nose or skin',
  takes40: 'known to take a 40',
  sensitive: 'sensitive skin on the face',
  skinReacts: 'skin reacts at the test between the pads',
  itches: 'itches under the tail after clipping',
  feetSore: 'feet licked, stained or sore',
  cropped: 'cropped ears'
}

export const PIGMENTS = ['black', 'brown', 'grey', 'pink', 'patched'] as const
export type Pigment = (typeof PIGMENTS)[number]

export const COAT_TYPE_NAMES: Readonly<Record<CoatType, string>> = {
  wire: 'wire or rough',
  curly: 'soft curly',
  drop: 'drop coat',
  double: 'double',
  smooth: 'smooth with furnishings',
  mixed: 'mixed or unknown'
}

/** What is known of a dog beside what every dog has; null where nobody has said. */
export type DogProfileMore = {
  readonly breed: string
  /** null: as the coat's own words tell */
  readonly coatType: CoatType | null
  readonly bornOn: string | null
  readonly weightKg: number | null
  readonly nose: Pigment | null
  readonly skin: Pigment | null
  readonly own: Omit<Measures, 'withersMm'>
  readonly flatFootMm: number
  readonly earHistory: string
  /** the owner allows the dog's name to be shown outside the school; where nothing is said they do not */
  readonly nameOutside?: boolean
}
export const NO_PROFILE: DogProfileMore = Object.freeze({
  breed: '',
  coatType: null,
  bornOn: null,
  weightKg: null,
  nose: null,
  skin: null,
  own: Object.freeze({}),
  flatFootMm: 0,
  earHistory: ''
})

const measure = (label: string) => maybe(label, 10, 1500, 'mm')

/** The whole profile of a dog, as its page saves it. Proportions that the body type cannot have are refused by core. */
export const dogProfileSchema = object({
  name: named('Name'),
  breed: words('Breed or mix', 60),
  bodyType: named('Body type'),
  coat: named('Coat'),
  coatType: oneOf('Coat type', COAT_TYPES).nullable().defined(),
  colour: named('Colour'),
  bornOn: date('Born on').nullable().defined(),
  weightKg: maybe('Weight', 0.5, 120, 'kg'),
  nose: oneOf('Nose', PIGMENTS).nullable().defined(),
  skin: oneOf('Skin', PIGMENTS).nullable().defined(),
  withersMm: within('Height at the withers', WITHERS_LIMITS_MM.low, WITHERS_LIMITS_MM.high, 'mm'),
  backMm: measure('Back, withers to tail'),
  muzzleMm: measure('Muzzle, stop to nose'),
  forelegMm: measure('Foreleg, elbow to ground'),
  footMm: measure('Fore foot, heel to toe'),
  flatFootMm: maybe('Flat part of the foot', 0, 20, 'mm'),
  canStandMin: within('Minutes it can be worked on', 5, 300, 'minutes'),
  temperament: named('Temperament', 200),
  dislikes: words('Dislikes', 200),
  earHistory: words('Ears', 200),
  nameOutside: boolean().optional(),
  burns: array()
    .of(
      object({
        region: chosen('Burn place', REGION_IDS),
        side: chosen('Side of the burn', SIDES),
        by: object({
          blade: named('Blade that burned'),
          direction: chosen('Direction of the blade that burned', ['with', 'against'] as const),
          leftMm: between('What the blade left', 0, 60, 'mm').required()
        })
          .noUnknown()
          .nullable()
          .default(undefined)
          .optional()
      }).noUnknown()
    )
    .required()
    .max(40),
  owner: words('Owner’s first name', 60),
  contact: words('Owner’s contact details', 120)
}).noUnknown()
export type DogProfile = {
  readonly name: string
  readonly breed: string
  readonly bodyType: string
  readonly coat: string
  readonly coatType: CoatType | null
  readonly colour: string
  readonly bornOn: string | null
  readonly weightKg: number | null
  readonly nose: Pigment | null
  readonly skin: Pigment | null
  readonly withersMm: number
  readonly backMm: number | null
  readonly muzzleMm: number | null
  readonly forelegMm: number | null
  readonly footMm: number | null
  readonly flatFootMm: number | null
  readonly canStandMin: number
  readonly temperament: string
  readonly dislikes: string
  readonly earHistory: string
  readonly nameOutside?: boolean
  readonly burns: readonly BurnPlace[]
  readonly owner: string
  readonly contact: string
}

/** A dog that was entered twice: the other one, which is kept. */
export const mergeDogSchema = object({ into: uuid().required('Choose which entry to keep.') }).noUnknown()
export type MergeDog = { readonly into: string }

/** A dog from a table, as it would be taken in. */
export type DogLine = {
  readonly line: number
  readonly name: string
  readonly breed: string
  readonly coat: string
  readonly withersMm: number
}
export type DogsPreview =
  | { readonly ok: true; readonly dogs: readonly DogLine[] }
  | { readonly ok: false; readonly issues: readonly { readonly path: string; readonly detail: string }[] }

/** Limits or refuses a dog, or lets it be worked on again. */
export const standingSchema = object({
  kind: chosen('Decision', ['limited', 'refused', 'free'] as const),
  reason: words('Reason', 200).when('kind', { is: 'free', otherwise: (schema) => schema.required('Give a reason.') }),
  vet: boolean().required()
}).noUnknown()
export type NewStanding = { readonly kind: DogStanding['kind'] | 'free'; readonly reason: string; readonly vet: boolean }
