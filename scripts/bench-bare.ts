// The named reference of the load bench: Express that puts an event into one table with mysql2, and does nothing else.
import express from 'express'
import mysql from 'mysql2/promise'

const pool = mysql.createPool({ ...JSON.parse(process.env.PEEN_DB!), connectionLimit: 10 })
await pool.query(
  'CREATE TABLE IF NOT EXISTS bare_events (id CHAR(36) PRIMARY KEY, visit_id CHAR(36), kind VARCHAR(60), at_device VARCHAR(30), payload JSON)'
)
const app = express()
app.use(express.json())
app.post('/api/visits/:id/events', async (req, res) => {
  const [event] = (req.body as { events: { id: string; kind: string; atDevice: string; payload: object }[] }).events
  await pool.execute('INSERT INTO bare_events VALUES (?, ?, ?, ?, ?)', [
    event.id,
    req.params.id,
    event.kind,
    event.atDevice,
    JSON.stringify(event.payload)
  ])
  res.json({ answers: [{ id: event.id, status: 'stored' }] })
})
app.listen(Number(process.env.PEEN_PORT), '127.0.0.1', () => process.send?.('open'))
