// npm run staff: the server's console for accounts of staff. Needs this machine, no password of the school.
//   npm run staff                        who signs, and who not yet
//   npm run staff -- confirm NAME        confirms a founder, or a lead who was lost
//   npm run staff -- letter NAME         a new password for a lead who cannot sign in
//   npm run staff -- --demo ...          the same in the demo school
import { runOrExplain } from './machine.mjs'
import { databaseNamed, runServer, withDatabase } from './open-database.mjs'

const words = process.argv.slice(2)

await runOrExplain(async () => {
  process.exitCode = await withDatabase(databaseNamed(words), (settings) =>
    runServer(
      'server/src/staff.ts',
      words.filter((word) => word !== '--demo'),
      settings
    )
  )
})
