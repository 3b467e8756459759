// npm run restore: brings a school back from a backup, on this computer or another one. Peen must be closed.
//   npm run restore -- FILE              asks for the passphrase (or PEEN_BACKUP_PASSPHRASE)
//   npm run restore -- FILE --replace    also where a school is here: that one is backed up first
//   npm run restore -- FILE --demo       into the demo school
import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { checkNode, ensurePackages, ensureProgram, makePrivateFolder, PRIVATE, Refusal, runOrExplain } from './machine.mjs'
import { starterRuns, stopLeftover } from './mariadb.mjs'
import { backupsOf, databaseNamed, keysOf, ROOM_KEYS, runServer, SCRATCH, withDatabase } from './open-database.mjs'

const words = process.argv.slice(2)
const database = databaseNamed(words)

await runOrExplain(async () => {
  checkNode()
  const [file] = words.filter((word) => !word.startsWith('--'))
  if (!file) throw new Refusal('Say which backup: npm run restore -- FILE. Those that are here: npm run backup -- --list.')
  const path = resolve(file)
  if (!existsSync(path)) throw new Refusal(`${path} is not there.`)
  makePrivateFolder()
  if (starterRuns()) throw new Refusal('Peen is open here. Close it first (Ctrl-C where it was started), then restore.')
  ensurePackages()
  ensureProgram(['/usr/bin/mariadb-dump'], 'mariadb-client')
  await stopLeftover(join(PRIVATE, 'mariadb'))
  const env = { PEEN_BACKUPS: backupsOf(database), PEEN_ROOM_KEYS: ROOM_KEYS, PEEN_KEYS: keysOf(database), PEEN_SCRATCH: SCRATCH }
  const more = words.includes('--replace') ? ['replace'] : []
  process.exitCode = await withDatabase(
    database,
    (settings) => runServer('server/src/backup/main.ts', ['restore', path, ...more], settings, env),
    { mayMake: true }
  )
})
