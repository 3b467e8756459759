import { object, string, type InferType, uuid } from '../shape/yup'

export const draftFindingSchema = object({
  id: uuid().required(),
  apprenticeId: uuid().required(),
  certificateId: string().required().max(60)
}).noUnknown()
export type DraftFinding = InferType<typeof draftFindingSchema>

export const declineSchema = object({
  reason: string().defined('Give a reason for declining, in a few words.').min(5, 'Give a reason for declining, in a few words.').max(500)
}).noUnknown()
export type Decline = InferType<typeof declineSchema>

export const liftHoldSchema = object({
  techniqueId: string().required().max(60),
  reason: string()
    .defined('Give a reason for lifting the hold, in a few words.')
    .min(5, 'Give a reason for lifting the hold, in a few words.')
    .max(500)
}).noUnknown()
export type LiftHold = InferType<typeof liftHoldSchema>
