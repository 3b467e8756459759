// The simulated table camera on loopback: POST /snapshot with what stands before it, a JPEG comes back.
//   PEEN_CAMERA_PORT=4761 PEEN_CAMERA_STANDS=demo/src/stands.json node --import tsx devices/src/table/serve.ts
import { CoreError } from '@peen/core/error'
import { readFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { snapshot, USUAL_WIDTH_PX, type BeforeCamera, type Stands } from './snapshot'

const port = Number(process.env.PEEN_CAMERA_PORT)
const stands = process.env.PEEN_CAMERA_STANDS ? (JSON.parse(readFileSync(process.env.PEEN_CAMERA_STANDS, 'utf8')) as Stands) : {}
/** tests look at smaller pictures */
const widthPx = Number(process.env.PEEN_CAMERA_WIDTH) || USUAL_WIDTH_PX
const MOST_BYTES = 1024 * 1024

createServer((request, response) => {
  const parts: Buffer[] = []
  let size = 0
  request.on('data', (part: Buffer) => {
    size += part.length
    if (size > MOST_BYTES) return request.destroy()
    parts.push(part)
  })
  request.on('end', async () => {
    try {
      const picture = await snapshot(JSON.parse(Buffer.concat(parts).toString('utf8')) as BeforeCamera, stands, widthPx)
      response.writeHead(200, { 'content-type': 'image/jpeg' }).end(picture)
    } catch (error) {
      const status = error instanceof CoreError || error instanceof SyntaxError ? 400 : 500
      response
        .writeHead(status, { 'content-type': 'text/plain' })
        .end(error instanceof Error ? error.message : 'The camera is out of order.')
    }
  })
}).listen(port, '127.0.0.1', () => process.send?.('open'))
process.on('SIGTERM', () => process.exit(0))
process.on('disconnect', () => process.exit(0))
