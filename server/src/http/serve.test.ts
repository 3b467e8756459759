// Slow senders, over a bare socket: one that never ends its headers, one that never ends its body.
import express from 'express'
import type { AddressInfo } from 'node:net'
import { connect } from 'node:net'
import type { Server } from 'node:http'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { serverFor } from './serve'

let server: Server
beforeAll(async () => {
  const app = express()
  app.use(express.json())
  app.post('/', (req, res) => void res.json(req.body))
  server = serverFor(app, { headersMs: 300, requestMs: 600, keepAliveMs: 300, checkMs: 50 })
  server.listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
})
afterAll(() => {
  server.closeAllConnections()
  server.close()
})

/** Sends text and waits until the server ends the connection; returns what it said. A server that never did would hold the test. */
function until(text: string): Promise<string> {
  return new Promise((resolve, reject) => {
    let said = ''
    const socket = connect((server.address() as AddressInfo).port, '127.0.0.1', () => socket.write(text))
    socket.on('data', (part) => (said += part.toString()))
    socket.on('close', () => resolve(said))
    socket.on('error', reject)
  })
}

describe('a sender that is slow on purpose', () => {
  it('is ended before it has sent all headers', async () => {
    expect(await until('POST / HTTP/1.1\r\nHost: localhost\r\nX-Slow: ')).toMatch(/^HTTP\/1\.1 408/)
  })

  it('is ended before it has sent the whole body', async () => {
    const head = 'POST / HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: 1000\r\n\r\n'
    expect(await until(`${head}{"a":`)).toMatch(/^HTTP\/1\.1 408/)
  })

  it('is no one who sends at once', async () => {
    const { port } = server.address() as AddressInfo
    const answer = await fetch(`http://127.0.0.1:${port}/`, {
      method: 'POST',
      body: '{"a":1}',
      headers: { 'content-type': 'application/json' }
    })
    expect(await answer.json()).toEqual({ a: 1 })
  })
})
