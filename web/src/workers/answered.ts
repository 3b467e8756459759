// How a worker's refusal crosses to the page: as data, since an Error keeps only its sentence on the way.
import { CoreError, type CoreIssue } from '@peen/core/error'

export type Answered<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issue: CoreIssue }

/** The same function, answering what core refuses as data. In the worker. */
export const answering =
  <A extends readonly unknown[], T>(run: (...args: A) => T) =>
  (...args: A): Answered<T> => {
    try {
      return { ok: true, value: run(...args) }
    } catch (error) {
      if (!(error instanceof CoreError)) throw error
      const { code, path, got, limit } = error.issue
      return { ok: false, issue: { code, path, limit, got: typeof got === 'number' ? got : String(got) } }
    }
  }

/** The value of an answer; throws the refusal it holds. On the page. */
export function valueOf<T>(answer: Answered<T>): T {
  if (answer.ok) return answer.value
  throw new CoreError(answer.issue)
}
