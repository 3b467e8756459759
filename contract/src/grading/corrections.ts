import { chosen, reasonIn } from '../shape/fields'
import { object, uuid, type InferType } from '../shape/yup'

export const setAsideSchema = object({ reason: reasonIn('Say why this mark is set aside, in a few words.') }).noUnknown()
export type SetAside = InferType<typeof setAsideSchema>

export const appealSchema = object({ text: reasonIn('Say what you think is wrong with this mark, in a few words.') }).noUnknown()
export type Appeal = InferType<typeof appealSchema>

export const APPEAL_COUNTS = ['first', 'second'] as const
export const decideAppealSchema = object({
  counts: chosen('Which mark counts', APPEAL_COUNTS),
  reason: reasonIn('Say why, in a few words. The apprentice reads it.')
}).noUnknown()
export type DecideAppeal = InferType<typeof decideAppealSchema>

export const keepCertificateSchema = object({
  gradingId: uuid().required(),
  reason: reasonIn('Say why the certificate still holds, in a few words.')
}).noUnknown()
export type KeepCertificate = InferType<typeof keepCertificateSchema>

export type SetAsideView = { readonly by: string; readonly at: string; readonly reason: string }
export type AppealView = {
  readonly at: string
  readonly text: string
  /** null while it is open */
  readonly decided: { readonly counts: 'first' | 'second'; readonly by: string; readonly at: string; readonly reason: string } | null
  /** the mark that someone else gave since, blind; null where there is none yet */
  readonly second: { readonly gradingId: string; readonly assessor: string } | null
}
