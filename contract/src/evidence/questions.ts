// What was asked aloud, and whether it was answered.
import type { OralAnswer } from '@peen/core/technique'
import { date, named, words } from '../shape/fields'
import { boolean, object, uuid } from '../shape/yup'

export const newAnswerSchema = object({
  id: uuid().required(),
  questionId: named('Question', 60),
  right: boolean().required('Choose whether it was answered.'),
  onDate: date('Date').required('Date is missing.'),
  note: words('Note', 300)
}).noUnknown()
export type NewAnswer = OralAnswer & { readonly id: string; readonly note: string }

export type AnswerView = OralAnswer & { readonly id: string; readonly note: string; readonly by: string }
