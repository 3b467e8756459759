// Writes docs/openapi.json from the endpoint table: npm run openapi
import { writeFileSync } from 'node:fs'
import { openApi, written } from './openapi/document'

writeFileSync(new URL('../docs/openapi.json', import.meta.url), written(openApi()))
