// The named reference of the routes' bench: Express that runs the same SQL with mysql2, throws the rows away and sends the same text.
import express from 'express'
import mysql from 'mysql2/promise'
import { readFileSync } from 'node:fs'

type Heard = {
  readonly path: string
  readonly queries: readonly { readonly query: string; readonly values: unknown[] }[]
  readonly text: string
}

const pool = mysql.createPool({ ...JSON.parse(process.env.PEEN_DB!), connectionLimit: 10 })
const app = express()
for (const { path, queries, text } of JSON.parse(readFileSync(process.env.PEEN_BENCH_HEARD!, 'utf8')) as Heard[])
  app.get(path, async (_req, res) => {
    for (const { query, values } of queries) await pool.query(query, values)
    res.type('json').send(text)
  })
app.listen(Number(process.env.PEEN_PORT), '127.0.0.1', () => process.send?.('open'))
