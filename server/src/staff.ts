// The server's console for accounts of staff: founders are confirmed here, and a lost lead comes back here. Run by scripts/staff.mjs.
import { signingRight } from '@peen/core/certify'
import { asc, eq } from 'drizzle-orm'
import { connect, inTransaction, settingsFromEnvironment, tables } from './db'
import { accountEvents, recordAccount } from './features/accounts'
import { letterFromConsole } from './features/admission'

const [command = 'list', username = ''] = process.argv.slice(2)
const { db, close } = connect(settingsFromEnvironment())
const say = (line: string) => process.stdout.write(`${line}\n`)

const { people } = tables
const staff = (await db.select().from(people).orderBy(asc(people.givenName))).filter(({ role }) => role !== 'apprentice')

async function list(): Promise<void> {
  const events = await accountEvents(db)
  for (const { id, username: name, role, active } of staff) {
    const right = signingRight(id, events, new Date())
    say(`${name.padEnd(20)} ${role.padEnd(12)} ${!active ? 'retired' : right.signs ? 'signs' : `cannot sign yet: ${right.because}`}`)
  }
  if (staff.length === 0) say('This school has no staff yet. Open it in a browser first.')
}

async function named(): Promise<(typeof staff)[number] | null> {
  const person = staff.find((one) => one.username === username)
  if (!person) {
    say(`Username is ${username || 'missing'}; it must be one of ${staff.map((one) => one.username).join(', ') || 'none yet'}.`)
    process.exitCode = 1
  }
  return person ?? null
}

async function confirm(): Promise<void> {
  const person = await named()
  if (!person) return
  await inTransaction(db, async (tx) => {
    await tx.update(people).set({ active: true }).where(eq(people.id, person.id))
    await recordAccount(tx, { kind: 'founded', personId: person.id, by: null, at: new Date() })
  })
  say(`${person.givenName} ${person.familyName} can sign from now on.`)
}

async function letter(): Promise<void> {
  const person = await named()
  if (person) say(`Open ${await letterFromConsole(db, person)} in a browser and choose a password, then confirm ${username} here.`)
}

const COMMANDS: Readonly<Record<string, () => Promise<void>>> = { list, confirm, letter }
const run = COMMANDS[command]
if (run) await run()
else {
  say(`The command is ${command}; it must be list, confirm NAME or letter NAME.`)
  process.exitCode = 1
}
await close()
