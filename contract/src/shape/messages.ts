import { setLocale } from 'yup'

// One wording for every refusal: the field, the value, what is allowed.
setLocale({
  mixed: {
    required: ({ path }) => `${path} is missing.`,
    notNull: ({ path }) => `${path} is empty.`,
    defined: ({ path }) => `${path} is missing.`,
    oneOf: ({ path, value, values }) => `${path} is ${say(value)}; allowed is ${values}.`,
    notType: ({ path, value, type }) => `${path} is ${say(value)}; allowed is ${type === 'array' ? 'a list' : `a ${type}`}.`
  },
  number: {
    min: ({ path, value, min }) => `${path} is ${say(value)}; allowed is ${min} or more.`,
    max: ({ path, value, max }) => `${path} is ${say(value)}; allowed is ${max} or less.`,
    integer: ({ path, value }) => `${path} is ${say(value)}; allowed is a whole number.`
  },
  string: {
    min: ({ path, min }) => `${path} is too short; at least ${min} characters.`,
    max: ({ path, max }) => `${path} is too long; at most ${max} characters.`,
    matches: ({ path, value, regex }) => `${path} is ${say(value)}; it must look like ${regex}.`,
    uuid: ({ path, value }) => `${path} is ${say(value)}; allowed is a UUID.`
  },
  array: {
    min: ({ path, min }) => `${path} holds too little; at least ${min}.`,
    max: ({ path, max }) => `${path} holds too much; at most ${max}.`
  },
  object: { noUnknown: ({ path, unknown }) => `${path ? `${path}.` : ''}${unknown} is not a known field.` }
})

function say(value: unknown): string {
  if (typeof value === 'string') return `"${value.slice(0, 60)}"`
  return JSON.stringify(value)?.slice(0, 60) ?? String(value)
}
