// What is asked of a new dog: the same fields, with the same names, as on its profile.
import { bodies, colourName, colourNames } from '@peen/content'
import { COAT_TYPE_NAMES } from '@peen/contract'
import { COAT_TYPES } from '@peen/core/advice'
import { upperFirst } from '@peen/core/units'
import type { NewField } from '../components/NewForm.vue'

export const BODY_CHOICES = bodies.map(({ id, label }) => ({ id, name: label }))
export const COLOUR_CHOICES = colourNames.map((id) => ({ id, name: upperFirst(colourName(id)) }))
export const COAT_TYPE_CHOICES = [
  { id: '', name: 'as the coat’s words tell' },
  ...COAT_TYPES.map((id) => ({ id, name: COAT_TYPE_NAMES[id] }))
]

export const DOG_FIELDS: readonly NewField[] = [
  { name: 'name', label: 'Name' },
  { name: 'breed', label: 'Breed or mix' },
  { name: 'bodyType', label: 'Body type', choices: BODY_CHOICES },
  { name: 'coat', label: 'Coat, in words' },
  { name: 'coatType', label: 'Coat type', choices: COAT_TYPE_CHOICES, nullable: true },
  { name: 'colour', label: 'Colour', choices: COLOUR_CHOICES },
  { name: 'withersMm', label: 'Height at the withers', type: 'length' },
  { name: 'canStandMin', label: 'Minutes it can stand', type: 'number' },
  { name: 'temperament', label: 'Temperament' },
  { name: 'dislikes', label: 'What it dislikes' },
  { name: 'owner', label: 'Owner’s given name' },
  { name: 'contact', label: 'How to reach the owner' }
]
export const EMPTY_DOG = {
  ...{ name: '', breed: '', bodyType: '', coat: '', coatType: '', colour: '', withersMm: '', canStandMin: '' },
  ...{ temperament: '', dislikes: '', owner: '', contact: '' }
}
