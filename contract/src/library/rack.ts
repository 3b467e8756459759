import type { Tool } from '@peen/core/tools'
import { chosen, words } from '../shape/fields'
import { array, mixed, number, object, string } from '../shape/yup'

export const TOOL_KINDS = ['blade', 'comb', 'scissors', 'hand', 'brush', 'aid'] as const satisfies readonly Tool['kind'][]

/** What an adjustable blade can be set to. */
export const SETTINGS = ['9', '10', '15', '30', '40'] as const

export const toolSchema = object({
  id: string()
    .required('The tool’s id is missing.')
    .matches(
      /^[a-z0-9][a-z0-9-]{0,39}$/,
      ({ value }) => `id is ${String(value).slice(0, 40)}; it must be lower-case letters, digits and hyphens.`
    ),
  label: string().trim().required('Label is missing.').max(40, 'Label is too long; it can have up to 40 characters.'),
  kind: chosen('Kind', TOOL_KINDS),
  lengthMm: number()
    .nullable()
    .defined()
    .min(0.1, ({ value }) => `Length is ${value}; it must be 0.1 to 60 mm.`)
    .max(60, ({ value }) => `Length is ${value}; it must be 0.1 to 60 mm.`),
  fraction: string().nullable().defined().max(12),
  toothing: mixed<'finish' | 'skip'>()
    .oneOf(['finish', 'skip', null as never], ({ value }) => `Toothing is ${String(value).slice(0, 20)}; it must be finish, skip or empty.`)
    .nullable()
    .defined(),
  base: mixed<'30' | '10'>()
    .oneOf(['30', '10', null as never], ({ value }) => `Base blade is ${String(value).slice(0, 20)}; it must be 30, 10 or empty.`)
    .nullable(),
  setTo: string()
    .nullable()
    .oneOf(
      [...SETTINGS, null] as (string | null)[],
      ({ value }) => `Set to is ${String(value).slice(0, 20)}; it must be ${SETTINGS.join(', ')} or empty.`
    ),
  note: words('Note', 120)
}).noUnknown()

export const rackSchema = object({ tools: array().of(toolSchema).required().min(1).max(300), what: words('What changed', 200) }).noUnknown()
export type NewRack = { readonly tools: readonly Tool[]; readonly what: string }

export type RackView = {
  readonly tools: readonly Tool[]
  /** the last change, which can be taken back */
  readonly undo: string | null
  /** nicks and burns that were noted while a tool was in the hand, by its id */
  readonly nicks: Readonly<Record<string, number>>
}
