// Brings the database to the present shape and loads what Peen ships as data. Run at every start; also without demo.
import { bringUp } from './bring-up'
import { connect, settingsFromEnvironment } from './db'

const { db, close } = connect(settingsFromEnvironment())
await bringUp(db, new Date())
await close()
