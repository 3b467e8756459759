// The school's records as tables for a spreadsheet.
import type { Me } from '@peen/contract'
import { techniqueName } from '@peen/content'
import { asc } from 'drizzle-orm'
import { toCsv, type Cell } from '../../csv'
import { tables } from '../../db'
import { refuse, type Services } from '../../http'
import { certificatesOf } from '../certificates'
import { attemptRows } from '../derived'
import { rememberAll } from '../grading'
import { allPeople, fullName } from '../people'
import { trimNames, techniquesOf } from '../school'
import { cohortStates, signedTrims } from '../standings'

type Table = { readonly columns: readonly string[]; readonly rows: readonly (readonly Cell[])[] }

const TABLES: Readonly<Record<string, (services: Services, actor: Me) => Promise<Table>>> = {
  attempts: async ({ db }) => {
    const { people, techniques } = await namesOf(db)
    const rows = await attemptRows(db, [...people.keys()])
    return {
      columns: [
        'date',
        'apprentice',
        'technique',
        'dog',
        'coat',
        'sides',
        'setting',
        'counts',
        'clean',
        'help',
        'prompts',
        'minutes',
        'planMinutes',
        'why'
      ],
      rows: rows.map(({ row, dogName, coat }) => [
        ...[
          row.onDate,
          people.get(row.apprenticeId) ?? '',
          techniques.get(row.techniqueId) ?? techniqueName(row.techniqueId),
          dogName,
          coat
        ],
        ...[row.body.sides, row.body.setting, row.body.counts, row.body.clean, row.body.help, row.body.prompts, row.body.minutes],
        ...[row.planMinutes, row.body.because]
      ])
    }
  },
  standings: async ({ db, clock }) => {
    const { people, techniques } = await namesOf(db)
    const states = await cohortStates(db, null, await clock.today())
    return {
      columns: ['apprentice', 'technique', 'state', 'score', 'attempts', 'clean', 'signalOn', 'lastOn', 'why', 'shows'],
      rows: states
        .filter(({ apprenticeId }) => people.has(apprenticeId))
        .map((one) => [
          ...[
            people.get(one.apprenticeId)!,
            techniques.get(one.techniqueId) ?? techniqueName(one.techniqueId),
            one.state,
            one.score,
            one.attempts,
            one.clean
          ],
          ...[one.signalOn, one.lastOn, one.because, one.found?.say ?? null]
        ])
    }
  },
  trims: async ({ db, clock }, actor) => {
    const { people, staff } = await namesOf(db)
    const told = await signedTrims(db, [...people.keys()])
    await rememberAll(db, actor, told, await clock.now())
    const trimOf = await trimNames(db, told)
    return {
      columns: ['date', 'apprentice', 'dog', 'trim', 'assessor', 'mark', 'low', 'high', 'outcome', 'settled', 'blind'],
      rows: told.map((one) => [
        ...[one.onDate, people.get(one.apprenticeId)!, one.dogName, trimOf(one), staff.get(one.assessorId) ?? ''],
        ...[one.result.total?.value ?? null, one.result.total?.interval[0] ?? null, one.result.total?.interval[1] ?? null],
        ...[one.result.outcome, one.settled, one.blind]
      ])
    }
  },
  certificates: async ({ db }) => {
    const { people } = await namesOf(db)
    const names = new Map((await certificatesOf(db, true)).map((one) => [one.id, one.name]))
    const rows = await db.select().from(tables.findings).orderBy(asc(tables.findings.number))
    return {
      columns: ['number', 'apprentice', 'certificate', 'version', 'status', 'validUntil', 'auditHash'],
      rows: rows.map((row) => [
        ...[row.number, people.get(row.apprenticeId) ?? '', names.get(row.certificateId) ?? row.certificateId, row.certificateVersion],
        ...[row.status, row.validUntil, row.auditHash]
      ])
    }
  }
}

async function namesOf(db: Services['db']) {
  const all = await allPeople(db)
  const byName = (some: typeof all) => new Map(some.map((person) => [person.id, fullName(person)]))
  return {
    people: byName(all.filter(({ role }) => role === 'apprentice')),
    staff: byName(all.filter(({ role }) => role !== 'apprentice')),
    techniques: new Map((await techniquesOf(db)).map(({ id, name }) => [id, name]))
  }
}

/** The tables that go out. */
export const TABLE_IDS: readonly string[] = Object.keys(TABLES)

/** One of the school's tables as CSV. */
export async function tableCsv(services: Services, actor: Me, name: string): Promise<string> {
  const make = Object.hasOwn(TABLES, name) ? TABLES[name] : null
  if (!make) throw refuse.notFound(`The table "${name.slice(0, 40)}"; it must be one of ${Object.keys(TABLES).join(', ')}: it`)
  const { columns, rows } = await make(services, actor)
  return toCsv(columns, rows)
}
