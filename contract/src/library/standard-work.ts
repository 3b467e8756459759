// The shape of the work of a trim: what is done at each place. Whether it holds together is said by core/standard.
import { COAT_TYPES } from '@peen/core/advice'
import { REGION_IDS, type RegionId } from '@peen/core/regions'
import { DOES, PASS_DIRECTIONS, PASS_KINDS, SHARES } from '@peen/core/standard'
import { array, number, object, string } from '../shape/yup'
import { chosen, either, named, within, words } from '../shape/fields'

const MM = { low: 0.05, high: 300 }
const length = (label: string) => {
  const say = ({ value }: { value: unknown }) =>
    `${label} is ${String(value).slice(0, 20)}; it must be ${MM.low} to ${MM.high} mm, or empty.`
  return number().typeError(say).min(MM.low, say).max(MM.high, say)
}
const slug = (label: string) => named(label, 60)
/** A side of a house rule on which something stands. */
export const houseSide = object({ id: slug('House rule'), side: within('Side', 0, 9, '') }).noUnknown()

const pass = object({
  kind: chosen('Kind of work', PASS_KINDS),
  tools: array().of(slug('Tool')).required('The tools of a pass are missing.').max(12),
  direction: string()
    .nullable()
    .defined('The direction of a pass is missing; null where it has none.')
    .oneOf([...PASS_DIRECTIONS, null], ({ value }) => `Direction is ${String(value).slice(0, 20)}; it must be ${either(PASS_DIRECTIONS)}.`),
  leavesMm: length('Length left').nullable().defined('The length that a pass leaves is missing; null where it sets none.'),
  technique: slug('Technique'),
  where: words('Where', 200).optional(),
  share: string()
    .optional()
    .oneOf([...SHARES], ({ value }) => `Share pulled is ${String(value).slice(0, 20)}; it must be ${either(SHARES)}.`),
  house: houseSide.optional().default(undefined),
  coats: array().of(chosen('Coat', COAT_TYPES)).optional().max(COAT_TYPES.length),
  purpose: string()
    .optional()
    .oneOf(['pet', 'show'], ({ value }) => `Purpose is ${String(value).slice(0, 20)}; it must be pet or show.`)
}).noUnknown()

/** A list of what is done at each place; at most as many rows as places in four parts. */
export const workShape = array()
  .of(
    object({
      place: chosen('Place', REGION_IDS as readonly [RegionId, ...RegionId[]]),
      part: words('Part of the place', 60).optional(),
      does: chosen('What is done', DOES),
      passes: array().of(pass).required('The passes of a place are missing; an empty list will do.').max(12),
      standsMm: length('Coat left on').optional(),
      note: words('Note', 200).optional(),
      house: houseSide.optional().default(undefined)
    }).noUnknown()
  )
  .optional()
  .max(REGION_IDS.length * 4)
