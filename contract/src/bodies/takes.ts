import type { InferType, Schema } from '../shape/yup'

type Plain<T> = T extends readonly (infer U)[]
  ? Plain<U>[]
  : T extends object
    ? { -readonly [K in keyof T]-?: Plain<Exclude<T[K], undefined>> }
    : T
/** Fields of one that the other does not know. */
type Astray<A, B> = string extends keyof A ? never : Exclude<keyof A, keyof B>
/** Nothing where a schema and a type have the same fields and the schema leaves room for every value; else what is wrong. */
type Tied<T, S extends Schema> =
  Plain<T> extends InferType<S>
    ? [Astray<T, InferType<S>> | Astray<InferType<S>, T>] extends [never]
      ? []
      : [astray: Astray<T, InferType<S>> | Astray<InferType<S>, T>]
    : [schema: InferType<S>]

/** A schema as that of a type; it does not compile where the two do not go together. */
export const takes =
  <T>() =>
  <S extends Schema>(schema: S, ..._tied: Tied<T, S>): Schema<T> =>
    schema as unknown as Schema<T>
