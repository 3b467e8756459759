// npm run backup: the school as one encrypted file, proven by restoring it beside the school. Peen may be open or closed.
//   npm run backup                       makes and proves one now
//   npm run backup -- --list             those that are here, with their proof
//   npm run backup -- --passphrase       chooses the passphrase (or PEEN_BACKUP_PASSPHRASE, and PEEN_BACKUP_PASSPHRASE_BEFORE for the old one)
//   npm run backup -- --to FOLDER        and copies it to another disk (every night: PEEN_BACKUP_TO)
//   npm run backup -- --demo ...         the same for the demo school
import { resolve } from 'node:path'
import { checkNode, ensurePackages, ensureProgram, Refusal, runOrExplain } from './machine.mjs'
import { backupsOf, databaseNamed, keysOf, ROOM_KEYS, runServer, SCRATCH, withDatabase } from './open-database.mjs'

const words = process.argv.slice(2)
const database = databaseNamed(words)

await runOrExplain(async () => {
  checkNode()
  ensurePackages()
  ensureProgram(['/usr/bin/mariadb-dump'], 'mariadb-client')
  const second = folderAfter('--to') ?? process.env.PEEN_BACKUP_TO ?? ''
  const env = {
    ...{ PEEN_BACKUPS: backupsOf(database), PEEN_ROOM_KEYS: ROOM_KEYS, PEEN_KEYS: keysOf(database) },
    ...{ PEEN_BACKUP_TO: second, PEEN_SCRATCH: SCRATCH }
  }
  const command = words.includes('--passphrase') ? 'passphrase' : words.includes('--list') ? 'list' : 'byHand'
  process.exitCode = await withDatabase(database, (settings) => runServer('server/src/backup/main.ts', [command], settings, env))
})

function folderAfter(word) {
  const i = words.indexOf(word)
  if (i < 0) return null
  if (!words[i + 1]) throw new Refusal(`${word} needs a folder, such as ${word} /media/usb/peen.`)
  return resolve(words[i + 1])
}
