import { STATES } from '@peen/core/competency'
import { ROUNDS_FIELDS, type RoundsRules } from '@peen/core/practice'
import { GRADE_RULE_LIMITS, type GradeRules } from '@peen/core/grade'
import { between, mapOf } from '../shape/fields'
import type { ObjectSchema } from 'yup'
import { number, object } from '../shape/yup'

/** Which side the school takes in each question; what is not named stays. */
export const houseRulesSchema = object({
  rules: mapOf(number().required().integer().min(0), 'House rules', 200)
}).noUnknown()
export type HouseRules = { readonly rules: Readonly<Record<string, number>> }

const withinField = (path: string) => {
  const { low, high } = ROUNDS_FIELDS.find((field) => field.path === path)!
  return number().required().min(low).max(high)
}
const plainFields = ROUNDS_FIELDS.filter(({ path }) => !path.startsWith('mishap.'))

/** The numbers by which the next looks are ranked. */
export const roundsSchema = object({
  ...Object.fromEntries(plainFields.map(({ path }) => [path, withinField(path)])),
  mishap: object(Object.fromEntries(STATES.map((state) => [state, withinField(`mishap.${state}`)])))
    .noUnknown()
    .required()
}).noUnknown() as unknown as ObjectSchema<RoundsRules>
export type Rounds = RoundsRules

const GRADE_RULE_NAMES: Readonly<Record<keyof GradeRules, string>> = {
  passAt01: 'Passes at',
  failAt01: 'Fails at',
  severityLevels: 'Severity'
}

/** When a trim passes. */
export const gradeRulesSchema = object(
  Object.fromEntries(
    (Object.keys(GRADE_RULE_LIMITS) as (keyof GradeRules)[]).map((key) => {
      const [low, high] = GRADE_RULE_LIMITS[key]
      return [
        key,
        between(GRADE_RULE_NAMES[key], low, high, key === 'severityLevels' ? 'levels' : 'as a share').required(
          `${GRADE_RULE_NAMES[key]} is missing.`
        )
      ]
    })
  )
).noUnknown() as unknown as ObjectSchema<GradeRules>
