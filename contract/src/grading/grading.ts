import { MEASURE_IDS } from '@peen/core/measure'
import { GLOBAL_RATINGS, type Answers, type GlobalRating } from '@peen/core/grade'
import { mapOf } from '../shape/fields'
import { array, lazy, mixed, number, object, string, uuid, type InferType, type Schema } from '../shape/yup'

const HAND_KINDS = ['asItShouldBe', 'readings', 'inputs', 'level', 'excused', 'instructor'] as const
const within = (low: number, high: number) =>
  number()
    .required()
    .min(low, ({ path, value: got }) => `${path} is ${got}; it must be ${low} to ${high}.`)
    .max(high, ({ path, value: got }) => `${path} is ${got}; it must be ${low} to ${high}.`)
/** What a photograph was measured for; value and u in the criterion's own unit. */
const measured = {
  measure: mixed()
    .oneOf([...MEASURE_IDS, 'coatDepth'])
    .required(),
  pictureId: uuid().required(),
  value: within(-3000, 3000),
  u: within(0, 3000),
  common: within(0, 3000)
}

const sideAnswer = lazy((value: { kind?: string } | undefined) => {
  if (value?.kind === 'picture') return object({ kind: mixed().oneOf(['picture']).required(), ...measured }).noUnknown()
  if (value?.kind === 'overruled')
    return object({
      kind: mixed().oneOf(['overruled']).required(),
      reason: string().required('Give a reason for overruling the picture.').max(200),
      measured: object(measured).noUnknown().required(),
      instead: handAnswer
    }).noUnknown()
  return handAnswer
})

const handAnswer = lazy((value: { kind?: string } | undefined) => {
  const kind = mixed().oneOf(HAND_KINDS).required()
  switch (value?.kind) {
    case 'readings':
      return object({
        kind,
        mm: array()
          .of(
            number()
              .required()
              .min(0, ({ path, value: got }) => `${path} is ${got}; it must be 0 to 300 mm.`)
              .max(300, ({ path, value: got }) => `${path} is ${got}; it must be 0 to 300 mm.`)
          )
          .required()
          .min(1)
          .max(9)
      }).noUnknown()
    case 'inputs':
      return object({
        kind,
        values: lazy((values: unknown) =>
          object(
            Object.fromEntries(
              Object.keys((values as object) ?? {})
                .slice(0, 12)
                .map((name) => [
                  name,
                  number()
                    .required()
                    .min(-1500, ({ path, value: got }) => `${path} is ${got}; it must be -1500 to 3000 mm.`)
                    .max(3000, ({ path, value: got }) => `${path} is ${got}; it must be -1500 to 3000 mm.`)
                ])
            )
          )
            .required()
            .noUnknown()
        )
      }).noUnknown()
    case 'level':
      return object({ kind, level: number().required().integer().min(0).max(4) }).noUnknown()
    case 'excused':
      return object({ kind, reason: string().required('Say what was there on arrival.').max(200) }).noUnknown()
    default:
      return value === undefined ? mixed().notRequired() : object({ kind }).noUnknown()
  }
})

const answer = object({ left: sideAnswer, right: sideAnswer, whole: sideAnswer }).noUnknown()

/** A draft grading as it is saved: the version it was read at makes two devices' writes visible to each other. */
export const draftSchema = object({
  version: number().required().integer().min(1),
  answers: mapOf(answer as unknown as Schema<Answers[string]>, 'Answers', 300),
  critical: array().of(string().required().max(60)).required().max(20),
  globalRating: mixed<GlobalRating>()
    .oneOf([...GLOBAL_RATINGS, null as never])
    .nullable()
    .defined()
}).noUnknown()

export type Draft = {
  readonly version: number
  readonly answers: Answers
  readonly critical: readonly string[]
  readonly globalRating: GlobalRating | null
}

/** Whoever opens a grading makes its id. */
export const openGradingSchema = object({ id: uuid().required() }).noUnknown()
export type OpenGrading = InferType<typeof openGradingSchema>

export const signGradingSchema = object({ version: number().required().integer().min(1) }).noUnknown()
export type SignGrading = InferType<typeof signGradingSchema>

export const RATING_NAMES: Readonly<Record<GlobalRating, string>> = {
  clearFail: 'clear fail',
  borderline: 'borderline',
  pass: 'pass',
  good: 'good',
  outstanding: 'outstanding'
}
