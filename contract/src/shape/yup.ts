// Yup with our own wording: every schema imports it from here, so that the wording stands before a schema is made.
import './messages'
export { array, boolean, lazy, mixed, number, object, string, ValidationError, type InferType, type Schema } from 'yup'
import { string } from 'yup'

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/i

/** A UUID of any version; ours are version 7. */
export const uuid = () =>
  string().matches(UUID, {
    message: ({ path, value }) => `${path} is "${String(value).slice(0, 60)}"; it must be a UUID.`,
    excludeEmptyString: false
  })
