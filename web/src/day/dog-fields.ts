// What is asked of a new dog: the same fields, with the same names, as on its profile.
import { bodies, colourName, colourNames } from '@peen/content'
import { COAT_TYPE_NAMES } from '@peen/contract'
import { COAT_TYPES } from '@peen/core/advice'
import { upperFirst } from '@peen/core/units'
import type { NewField } from '../components/NewForm.vue'
import { t } from '../words'

export const BODY_CHOICES = bodies.map(({ id, label }) => ({ id, name: label }))
export const COLOUR_CHOICES = colourNames.map((id) => ({ id, name: upperFirst(colourName(id)) }))
export const COAT_TYPE_CHOICES = [
  { id: '', name: t('day.fromCoatDescription') },
  ...COAT_TYPES.map((id) => ({ id, name: COAT_TYPE_NAMES[id] }))
]

export const DOG_FIELDS: readonly NewField[] = [
  { name: 'name', label: t('day.name') },
  { name: 'breed', label: t('day.breedOrMix') },
  { name: 'bodyType', label: t('day.bodyType'), choices: BODY_CHOICES },
  { name: 'coat', label: t('day.coatDescription') },
  { name: 'coatType', label: t('day.coatType'), choices: COAT_TYPE_CHOICES, nullable: true },
  { name: 'colour', label: t('day.colour'), choices: COLOUR_CHOICES },
  { name: 'withersMm', label: t('day.heightWithers'), type: 'length' },
  { name: 'canStandMin', label: t('day.minutesCanWorked'), type: 'number' },
  { name: 'temperament', label: t('day.temperament') },
  { name: 'dislikes', label: t('day.whatDislikes') },
  { name: 'owner', label: t('day.ownersFirstName') },
  { name: 'contact', label: t('day.ownersContactDetails') }
]
export const EMPTY_DOG = {
  ...{ name: '', breed: '', bodyType: '', coat: '', coatType: '', colour: '', withersMm: '', canStandMin: '' },
  ...{ temperament: '', dislikes: '', owner: '', contact: '' }
}
