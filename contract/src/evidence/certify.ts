import { object, string, type InferType, uuid } from '../shape/yup'

export const draftFindingSchema = object({
  id: uuid().required(),
  apprenticeId: uuid().required(),
  certificateId: string().required().max(60)
}).noUnknown()
export type DraftFinding = InferType<typeof draftFindingSchema>

export const declineSchema = object({
  reason: string().defined('Say why it is declined, in a few words.').min(5, 'Say why it is declined, in a few words.').max(500)
}).noUnknown()
export type Decline = InferType<typeof declineSchema>

export const liftHoldSchema = object({
  techniqueId: string().required().max(60),
  reason: string().defined('Say why the hold is lifted, in a few words.').min(5, 'Say why the hold is lifted, in a few words.').max(500)
}).noUnknown()
export type LiftHold = InferType<typeof liftHoldSchema>
