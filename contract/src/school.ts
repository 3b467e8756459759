import { lazy, number, object } from './yup'

/** Which side the school takes in each question; what is not named stays. */
export const houseRulesSchema = object({
  rules: lazy((value: unknown) =>
    object(Object.fromEntries(Object.keys((value as object) ?? {}).map((id) => [id, number().required().integer().min(0)]))).required()
  )
}).noUnknown()
export type HouseRules = { readonly rules: Readonly<Record<string, number>> }
