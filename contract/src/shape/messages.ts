import { setLocale } from 'yup'

// One wording for every refusal: the field, the value, what is allowed.
setLocale({
  mixed: {
    required: ({ path }) => `${path} is missing.`,
    notNull: ({ path }) => `${path} is empty.`,
    defined: ({ path }) => `${path} is missing.`,
    oneOf: ({ path, value, values }) => `${path} is ${say(value)}; it must be ${values}.`,
    notType: ({ path, value, type }) => `${path} is ${say(value)}; it must be ${type === 'array' ? 'a list' : `a ${type}`}.`
  },
  number: {
    min: ({ path, value, min }) => `${path} is ${say(value)}; it must be ${min} or more.`,
    max: ({ path, value, max }) => `${path} is ${say(value)}; it must be ${max} or less.`,
    integer: ({ path, value }) => `${path} is ${say(value)}; it must be a whole number.`
  },
  string: {
    min: ({ path, min }) => `${path} is too short; it must have at least ${min} characters.`,
    max: ({ path, max }) => `${path} is too long; it can have up to ${max} characters.`,
    matches: ({ path, value, regex }) => `${path} is ${say(value)}; it must look like ${regex}.`,
    trim: ({ path }) => `${path} begins or ends with a space; leave it out.`,
    uuid: ({ path, value }) => `${path} is ${say(value)}; it must be a UUID.`
  },
  array: {
    min: ({ path, min }) => `${path} has too few; it must have at least ${min}.`,
    max: ({ path, max }) => `${path} has too many; it can have at most ${max}.`
  },
  object: { noUnknown: ({ path, unknown }) => `${path ? `${path}.` : ''}${unknown} is not a known field.` }
})

function say(value: unknown): string {
  if (typeof value === 'string') return `"${value.slice(0, 60)}"`
  return JSON.stringify(value)?.slice(0, 60) ?? String(value)
}
