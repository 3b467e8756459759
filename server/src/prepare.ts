// Brings the database to the present shape and loads what Peen ships as data. Run at every start; also without demo.
import { connect, migrateUp, settingsFromEnvironment } from './db'
import { beginSeals } from './features/audit'
import { deriveWhereOld } from './features/derived'
import { loadContent } from './features/school'

const { db, close } = connect(settingsFromEnvironment())
await migrateUp(db)
await loadContent(db)
await deriveWhereOld(db)
await beginSeals(db, new Date())
await close()
