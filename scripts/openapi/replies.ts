// JSON Schemas of what the endpoints answer, made from their TypeScript types.
import { fileURLToPath } from 'node:url'
import { generateSchema, getProgramFromFiles } from 'typescript-json-schema'

export type JsonSchema = { readonly [key: string]: unknown }
export type ReplySchemas = {
  readonly components: Readonly<Record<string, JsonSchema>>
  readonly byName: Readonly<Record<string, JsonSchema>>
}

const ROOT = fileURLToPath(new URL('../..', import.meta.url))
const OPTIONS = {
  target: 'ES2022',
  module: 'ESNext',
  moduleResolution: 'bundler',
  strict: true,
  resolveJsonModule: true,
  skipLibCheck: true,
  types: ['node'],
  lib: ['lib.es2023.d.ts', 'lib.dom.d.ts']
}

/** A schema for each reply by its endpoint's name; shared types are components. */
export function replySchemas(): ReplySchemas {
  const program = getProgramFromFiles([fileURLToPath(new URL('json-replies.ts', import.meta.url))], OPTIONS as never, ROOT)
  const made = generateSchema(program, 'JsonReplies', { required: true, ref: true, aliasRef: true, topRef: false, ignoreErrors: true })
  const definitions = (made?.definitions ?? {}) as Record<string, JsonSchema>
  const names = plainNames(definitions)
  const told = (schema: unknown) => withRefs(schema, (name) => names.get(follow(definitions, name))!) as JsonSchema
  const components: Record<string, JsonSchema> = {}
  for (const [name, schema] of Object.entries(definitions))
    if (follow(definitions, name) === name) components[names.get(name)!] = told(schema)
  const byName = Object.fromEntries(Object.entries(made?.properties ?? {}).map(([name, schema]) => [name, told(schema)]))
  return { components, byName }
}

const PREFIX = '#/definitions/'
const refOf = (schema: JsonSchema | undefined) =>
  typeof schema?.$ref === 'string' && Object.keys(schema).length === 1 ? decodeURIComponent(schema.$ref.slice(PREFIX.length)) : null

/** A name that only leads to another is that other. */
function follow(definitions: Readonly<Record<string, JsonSchema>>, name: string): string {
  const to = refOf(definitions[name])
  return to === null ? name : follow(definitions, to)
}

/** The name under which each definition stands: its own, that of what leads to it, or a number; letters and figures alone. */
function plainNames(definitions: Readonly<Record<string, JsonSchema>>): ReadonlyMap<string, string> {
  const names = new Map<string, string>()
  for (const name of Object.keys(definitions)) {
    const target = follow(definitions, name)
    if (isPlain(name) && (!names.has(target) || name === target)) names.set(target, name)
  }
  let count = 0
  for (const name of Object.keys(definitions)) if (follow(definitions, name) === name && !names.has(name)) names.set(name, `Part${++count}`)
  return names
}
const isPlain = (name: string) => /^[A-Z][A-Za-z0-9]*$/.test(name)

/** The same with every reference led to a component. */
function withRefs(schema: unknown, nameOf: (name: string) => string): unknown {
  if (Array.isArray(schema)) return schema.map((one) => withRefs(one, nameOf))
  if (schema === null || typeof schema !== 'object') return schema
  return Object.fromEntries(
    // a tuple as OpenAPI 3.1 writes it
    Object.entries(schema).map(([key, value]) =>
      key === 'items' && Array.isArray(value)
        ? ['prefixItems', withRefs(value, nameOf)]
        : key === '$ref' && typeof value === 'string'
          ? [key, `#/components/schemas/${nameOf(decodeURIComponent(value.slice(PREFIX.length)))}`]
          : [key, withRefs(value, nameOf)]
    )
  )
}
