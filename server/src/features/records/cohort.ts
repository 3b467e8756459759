// A cohort from a table: shown first, every wrong line named, let in all together or not at all.
import { check, inviteSchema, type CohortLine, type CohortPreview, type Me } from '@peen/contract'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { fromCsv, fromText } from '../../csv'
import { inTransaction, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { inviteWithin } from '../admission'

const COLUMNS = ['givenName', 'familyName', 'username', 'email', 'cohort'] as const
const NEEDED = ['givenName', 'familyName', 'email', 'cohort'] as const
const MOST_LINES = 200

type Issue = { readonly path: string; readonly detail: string }
const atLine = (line: number, detail: string): Issue => ({ path: `line ${line}`, detail: `Line ${line}: ${detail}` })

/** A name to sign in with, from a given and a family name; small letters, accents off. */
function plainName(givenName: string, familyName: string): string {
  const plain = (text: string) =>
    text
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '')
  return [plain(givenName), plain(familyName)]
    .filter((part) => part !== '')
    .join('.')
    .slice(0, 40)
}

/** What the table would let in; nothing is written. */
export async function previewCohort({ db }: Services, text: string): Promise<CohortPreview> {
  return readCohort(db, text)
}

async function readCohort(db: Reader, text: string): Promise<CohortPreview> {
  const { headings, rows, broken } = fromCsv(text)
  const issues: Issue[] = [
    ...NEEDED.filter((name) => !headings.includes(name)).map((name) =>
      atLine(1, `the column ${name} is missing; the columns are ${COLUMNS.join(', ')}.`)
    ),
    ...headings
      .filter((name) => !(COLUMNS as readonly string[]).includes(name))
      .map((name) =>
        atLine(1, `${name.slice(0, 40) || 'a column without a name'} is not a column; the columns are ${COLUMNS.join(', ')}.`)
      ),
    ...broken.map(({ line, detail }) => atLine(line, `${detail}.`))
  ]
  if (issues.length > 0) return { ok: false, issues }
  if (rows.length === 0) return { ok: false, issues: [atLine(2, 'the table has no people; it must have at least one.')] }
  if (rows.length > MOST_LINES)
    return { ok: false, issues: [atLine(rows[MOST_LINES].line, `the table has ${rows.length} people; it can have up to ${MOST_LINES}.`)] }
  const taken = new Map((await db.select({ username: tables.people.username }).from(tables.people)).map(({ username }) => [username, 0]))
  const people = rows.map(({ line, cells }): CohortLine => {
    const cell = (name: string) => fromText((cells[name] ?? '').trim())
    const [givenName, familyName] = [cell('givenName'), cell('familyName')]
    return {
      line,
      givenName,
      familyName,
      username: cell('username') || plainName(givenName, familyName),
      email: cell('email'),
      cohort: cell('cohort')
    }
  })
  for (const { line, ...person } of people) {
    const checked = check(inviteSchema as never, { id: v7(), role: 'apprentice', ...person })
    if (!checked.ok) issues.push(...checked.issues.map(({ detail }) => atLine(line, detail)))
    else if (taken.has(person.username)) {
      const before = taken.get(person.username)!
      issues.push(
        atLine(line, `username ${person.username} is taken${before ? ` by line ${before}` : ''}; put another in the username column.`)
      )
    }
    taken.set(person.username, line)
  }
  if (issues.length > 0) return { ok: false, issues }
  const known = new Set((await db.select({ name: tables.cohorts.name }).from(tables.cohorts)).map(({ name }) => name.toLowerCase()))
  const newCohorts = [...new Set(people.map(({ cohort }) => cohort))].filter((name) => !known.has(name.toLowerCase()))
  return { ok: true, people, newCohorts }
}

/** Lets a whole cohort in by letters: everybody on the table, or nobody. */
export async function letCohortIn(services: Services, actor: Me, text: string): Promise<{ readonly takenIn: number }> {
  return inTransaction(services.db, async (tx) => {
    await tx.select().from(tables.school).where(eq(tables.school.id, 1)).for('update')
    const read = await readCohort(tx, text)
    if (!read.ok) throw refuse.invalid([...read.issues])
    for (const { line: _line, ...person } of read.people)
      await inviteWithin(tx, services, actor, { id: v7(), role: 'apprentice', ...person })
    return { takenIn: read.people.length }
  })
}
