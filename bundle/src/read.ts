// Files of a bundle read as what their schema says, or refused by name: a stranger may have made them.
import { Ajv } from 'ajv'
import { textOf, type Files } from './files'
import { SCHEMAS, type ShapedPath } from './shapes'

/** A file that is missing or not of its shape; `what` names it and the place in it. */
export class Misshapen extends Error {
  constructor(readonly what: string) {
    super(what)
  }
}

const ajv = new Ajv({ allErrors: false, strict: false })
const validators = new Map(Object.entries(SCHEMAS).map(([path, schema]) => [path, ajv.compile(schema)]))

/** A file of the bundle as JSON. @throws Misshapen */
export function readJson(files: Files, path: string): unknown {
  const bytes = files.get(path)
  if (!bytes) throw new Misshapen(path)
  try {
    return JSON.parse(textOf(bytes))
  } catch {
    throw new Misshapen(path)
  }
}

/** The same, of the shape that its schema says. @throws Misshapen */
export function readShaped(files: Files, path: ShapedPath): unknown {
  const validate = validators.get(path)!
  const value = readJson(files, path)
  if (validate(value)) return value
  throw new Misshapen(`${path}${validate.errors?.[0]?.instancePath ?? ''}`)
}
