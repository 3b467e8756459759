import { DOG_FACTS, type DogFact } from '@peen/core/advice'
import { array, mixed, object } from './yup'

/** What a dog is known for, as an instructor keeps it: it decides which tools are advised. */
export const dogFactsSchema = object({
  facts: array()
    .of(
      mixed<DogFact>()
        .oneOf([...DOG_FACTS], ({ path, value }) => `${path} is ${String(value).slice(0, 40)}; allowed is ${DOG_FACTS.join(', ')}.`)
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
  feetSore: 'feet licked, stained or sore',
  cropped: 'cropped ears'
}
