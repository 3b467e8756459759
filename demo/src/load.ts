// Brings the database to the present shape, loads what Peen ships, and the demo school when nobody is there yet.
import { bringUp, connect, placeAll, settingsFromEnvironment, tables } from '@peen/server'
import { playDemo } from './play'

const { db, close } = connect(settingsFromEnvironment())
await bringUp(db, new Date(), {
  fill: async () => {
    const [someone] = await db.select({ id: tables.people.id }).from(tables.people).limit(1)
    if (someone) return
    process.stdout.write('Loading the demo school (about a minute) ...\n')
    const { visits, events, gradings } = await playDemo(db)
    await placeAll(db)
    process.stdout.write(`The demo school holds ${visits} visits, ${events} events and ${gradings} gradings.\n`)
  }
})
await close()
