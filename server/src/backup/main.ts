// The program behind npm run backup, npm run restore and the nights of a school that is open.
//   daily | byHand | beforeMigration     makes and proves one
//   passphrase | list | restore FILE [replace]
import { byOneNode, connect as connectDatabase, migrationsMissing, settingsFromEnvironment } from '../db'
import {
  backUp,
  backupsIn,
  adoptKey,
  choosePassphrase,
  inMb,
  isProven,
  keyIn,
  NotAsItShouldBe,
  restore,
  unwrapped,
  type Backup,
  type BackupPlace,
  type Proof
} from '.'
import { askHidden } from './ask'

const [command = 'byHand', file = '', more = ''] = process.argv.slice(2)
const settings = await byOneNode(settingsFromEnvironment())
const env = (name: string): string => process.env[name] || ''
const folder = env('PEEN_BACKUPS')
const scratch = env('PEEN_SCRATCH')
const place: BackupPlace = {
  ...{ settings, folder, second: env('PEEN_BACKUP_TO') || null, room: env('PEEN_ROOM_KEYS') || null },
  issuer: env('PEEN_KEYS') || null,
  proofDatabase: `${scratch}proof`
}
const say = (line: string) => void process.stdout.write(`${line}\n`)
const now = () => new Date()

const many = (n: number, one: string, more = `${one}s`) => `${n} ${n === 1 ? one : more}`
const countsOf = ({ rows: { people, visits, events, gradings } }: Proof) =>
  [many(people, 'person', 'people'), many(visits, 'visit'), many(events, 'event'), many(gradings, 'grading')].join(', ')

function saidOf({ file: name, bytes, at, proof }: Backup): string {
  const day = at.toISOString().slice(0, 16).replace('T', ' ')
  const rows = proof ? countsOf(proof) : ''
  const words = !proof ? 'not proven' : isProven(proof) ? `proven by restoring: ${rows}` : 'it restores, but something in it is wrong'
  return `${day} UTC  ${name}  ${inMb(bytes)}  ${words}`
}

async function make(why: 'daily' | 'byHand' | 'beforeRestore'): Promise<void> {
  const made = await backUp(place, { why, say, now })
  say(saidOf(made))
  const { wrapped } = await keyIn(folder)
  if (!wrapped) say('It can be restored only on this computer until you choose a passphrase: npm run backup -- --passphrase')
}

/** Where a migration is due: the proof has run it on a copy by then, so that one that fails leaves the school as it is. */
async function beforeMigration(): Promise<void> {
  const { db, close } = connectDatabase(settings)
  const missing = await migrationsMissing(db)
  await close()
  if (missing.isNew || missing.count === 0) return
  say(
    `This Peen is newer than the school’s database: ${missing.count} ${missing.count === 1 ? 'change' : 'changes'} to make. Backing up first.`
  )
  try {
    say(saidOf(await backUp(place, { why: 'beforeMigration', say, now })))
  } catch (error) {
    // what was wrong before is no reason to stay shut: the backup is there, and the migration ran on it
    if (!(error instanceof NotAsItShouldBe)) throw error
    say(error.message)
  }
}

async function passphrase(): Promise<void> {
  const { wrapped } = await keyIn(folder)
  const old = wrapped ? env('PEEN_BACKUP_PASSPHRASE_BEFORE') || (await askHidden('The current passphrase: ')) : null
  const given = env('PEEN_BACKUP_PASSPHRASE')
  const chosen = given || (await askHidden('The new passphrase: '))
  if (!given && (await askHidden('The same again: ')) !== chosen) throw new Error('The two are not the same. Nothing was changed.')
  await choosePassphrase(folder, chosen, old)
  say('Passphrase set, for earlier backups too. Keep it on paper, away from this computer: without it, no backup can be read.')
}

async function bring(): Promise<void> {
  const key = await keyIn(folder)
  let said: string | null = null
  const passphrase = async () => (said ??= env('PEEN_BACKUP_PASSPHRASE') || (await askHidden('The passphrase of this backup: ')))
  // one from before the passphrase was chosen opens with the key that lies here
  const identity = async () => key.plain ?? (key.wrapped ? unwrapped(key.wrapped, await passphrase()) : null)
  const opener = { passphrase, identity }
  const settle = async () => {
    if (more !== 'replace') {
      say('A school is here already. Nothing was changed. With --replace it gives way to the backup, and is backed up first.')
      return false
    }
    await make('beforeRestore')
    return true
  }
  const room = env('PEEN_ROOM_KEYS')
  const restored = await restore(file, {
    opener,
    settings,
    room,
    issuer: env('PEEN_KEYS') || undefined,
    scratch: { folder, database: `${scratch}restore` },
    say,
    now,
    settle
  })
  if (!restored) return void (process.exitCode = 1)
  const { madeAt, proof, opened } = restored
  const goesOn = backupsIn(folder).length === 0 && (await adoptKey(folder, opened))
  say(`Restored as of ${madeAt.slice(0, 16).replace('T', ' ')} UTC: ${countsOf(proof)}.`)
  say(
    `${restored.room ? 'The room’s keys came with it, so tablets still trust it. ' : ''}${goesOn ? 'Backups here keep the same passphrase. ' : ''}Now start Peen.`
  )
}

const COMMANDS: Readonly<Record<string, () => Promise<void>>> = {
  daily: () => make('daily'),
  byHand: () => make('byHand'),
  beforeMigration,
  passphrase,
  restore: bring,
  list: async () => {
    const all = backupsIn(folder)
    for (const one of all) say(saidOf(one))
    if (all.length === 0) say(`There are no backups in ${folder} yet.`)
  }
}

await COMMANDS[command]!().catch((error: Error) => {
  process.stderr.write(`\nPeen: ${error.message}\n`)
  process.exitCode = 1
})
