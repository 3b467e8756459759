import SwaggerParser from '@apidevtools/swagger-parser'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { ENDPOINTS } from '@peen/contract'
import { openApi, written } from './document'

const PATH = new URL('../../docs/openapi.json', import.meta.url)
type Operation = { readonly operationId: string; readonly requestBody?: object; readonly responses: object }
type Document = { readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>> }

describe('docs/openapi.json', () => {
  const text = readFileSync(PATH, 'utf8')
  const document = JSON.parse(text) as Document
  const operations = Object.values(document.paths).flatMap((path) => Object.values(path))

  it('is what the endpoint table says today: npm run openapi writes it', () => expect(written(openApi()) === text).toBe(true))

  // https://spec.openapis.org/oas/v3.1.0, by a general-purpose parser of it
  it('is OpenAPI 3.1', async () => {
    await expect(SwaggerParser.validate(JSON.parse(text))).resolves.toBeTruthy()
  })

  it('has every endpoint once, by its name', () => {
    expect(operations.map(({ operationId }) => operationId).sort()).toEqual(Object.keys(ENDPOINTS).sort())
  })

  it('gives a body its limits, and a reply its fields', () => {
    const { signIn, floor } = Object.fromEntries(operations.map((one) => [one.operationId, one]))
    expect(JSON.stringify(signIn.requestBody)).toContain('"required":["username","password"]')
    expect(JSON.stringify(floor.responses)).toContain('FloorView')
  })
})
