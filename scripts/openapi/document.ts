// The OpenAPI 3.1 document of the endpoint table.
import { convertSchema } from '@sodaru/yup-to-json-schema'
import { BODIES, ENDPOINTS, USUAL_PROBLEMS, type Endpoint } from '@peen/contract'
import { replySchemas, type JsonSchema, type ReplySchemas } from './replies'

const TYPES = {
  json: 'application/json',
  csv: 'text/csv',
  pdf: 'application/pdf',
  jpeg: 'image/jpeg',
  png: 'image/png',
  zip: 'application/zip',
  calendar: 'text/calendar',
  file: 'application/json',
  stream: 'text/event-stream'
} as const
const CARRIED = { json: 'application/json', csv: 'text/csv', calendar: 'text/calendar', picture: 'image/*' } as const

const PROBLEM: JsonSchema = {
  type: 'object',
  description: 'Problem details, RFC 9457. Decide by `code`; `detail` is the sentence for a person.',
  properties: {
    type: { type: 'string' },
    title: { type: 'string' },
    status: { type: 'integer' },
    code: { type: 'string' },
    detail: { type: 'string' },
    errors: {
      type: 'array',
      items: { type: 'object', properties: { path: { type: 'string' }, detail: { type: 'string' } }, required: ['path', 'detail'] }
    }
  },
  required: ['type', 'title', 'status', 'code', 'detail']
}

/** The whole document, in the order of the table. */
export function openApi(replies: ReplySchemas = replySchemas()): JsonSchema {
  const paths: Record<string, Record<string, JsonSchema>> = {}
  for (const [name, endpoint] of Object.entries(ENDPOINTS as Readonly<Record<string, Endpoint>>)) {
    const path = endpoint.path.replace(/:([a-z]+)/gi, '{$1}')
    paths[path] = { ...paths[path], [endpoint.method]: operation(name, endpoint, replies.byName[name]) }
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Peen',
      version: '1',
      description:
        'One school’s record of practice, gradings and certificates. Lengths in mm, angles in degrees, times in UTC, days as YYYY-MM-DD.'
    },
    servers: [{ url: '/api' }],
    security: [{ signIn: [] }],
    paths,
    components: {
      securitySchemes: {
        signIn: { type: 'apiKey', in: 'cookie', name: 'peen_session', description: 'From signIn; a change also carries x-peen-csrf.' }
      },
      schemas: { Problem: PROBLEM, ...replies.components }
    }
  }
}

function operation(name: string, endpoint: Endpoint, reply: JsonSchema | undefined): JsonSchema {
  const { path, who, does, gives = 'json', query = [], problems = [] } = endpoint
  const parameters = [
    ...[...path.matchAll(/:([a-z]+)/gi)].map(([, param]) => ({ name: param, in: 'path', required: true, schema: { type: 'string' } })),
    ...query.map((word) => ({ name: word, in: 'query', schema: { type: 'string' } }))
  ]
  const schema = gives === 'json' ? (reply ?? { type: 'object' }) : gives === 'file' ? { type: 'object' } : { type: 'string' }
  return {
    operationId: name,
    summary: does,
    description: who === 'anyone' ? 'Open to anyone.' : `Open to: ${who.join(', ')}.`,
    ...(who === 'anyone' ? { security: [] } : {}),
    ...(parameters.length > 0 ? { parameters } : {}),
    ...requestBody(endpoint, BODIES[name as keyof typeof BODIES]),
    responses: {
      200: { description: 'Done.', content: { [TYPES[gives]]: { schema } } },
      default: {
        description: `A problem. Its code: ${[...problems, ...USUAL_PROBLEMS].join(', ')}.`,
        content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } }
      }
    }
  }
}

function requestBody({ reads }: Endpoint, body: object | undefined): JsonSchema {
  if (reads) return { requestBody: { required: true, content: { [CARRIED[reads]]: { schema: { type: 'string' } } } } }
  if (!body) return {}
  const schema = convertSchema(body as Parameters<typeof convertSchema>[0]) as JsonSchema
  return { requestBody: { required: true, content: { 'application/json': { schema } } } }
}

/** The document as text: each path and each shape on a line of its own, so that a change shows where it is. */
export function written(document: JsonSchema): string {
  const lines = (value: unknown, depth: number): string => {
    if (depth === 0 || value === null || typeof value !== 'object' || Array.isArray(value)) return JSON.stringify(value)
    return `{\n${Object.entries(value)
      .map(([key, inner]) => `${JSON.stringify(key)}: ${lines(inner, depth - 1)}`)
      .join(',\n')}\n}`
  }
  return `${lines(document, 3)}\n`
}
