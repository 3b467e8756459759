// What to practise next: what certificates still lack, and which dogs come in.
import { retiredTechniques } from '@peen/content'
import type { PractiseNext } from '@peen/contract'
import { lacks, type Certificate, type Finding } from '@peen/core/certify'
import { practiseNext, type Chance, type Need } from '@peen/core/competency'
import { successorsOf } from '@peen/core/technique'
import { addDays, formatISO, parseISO } from 'date-fns'
import { and, asc, eq, gte, lte } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { standingRules } from '../derived'
import { dogView } from '../people'
import { standardOfVisit } from '../practice'
import { newestStandards } from '../school'
import type { TechniqueRecord } from '../standings'

/** Chosen: a school plans about this far ahead. */
const AHEAD_DAYS = 21
const MOST_TOLD = 5

export type Progress = { readonly certificate: Certificate; readonly finding: Finding }

/** What each certificate on the way asks of each technique, and what is still lacking of it. */
export function needsOf(progress: readonly Progress[], records: ReadonlyMap<string, TechniqueRecord>, today: string): Need[] {
  return progress
    .filter(({ finding }) => !finding.ready)
    .flatMap(({ certificate, finding }) => {
      const openRules = finding.rules.filter(({ met }) => met !== 'met').length
      const needs = new Map<string, string[]>()
      for (const rule of certificate.rules) {
        if (rule.kind !== 'techniques' && rule.kind !== 'practised') continue
        for (const id of successorsOf(rule.techniques, retiredTechniques)) {
          const own = (records.get(id)?.attempts ?? []).filter(({ counts }) => counts)
          const lacking = rule.kind === 'practised' ? lacks(rule, own, today) : []
          needs.set(id, [...(needs.get(id) ?? []), ...lacking])
        }
      }
      return [...needs].map(([techniqueId, lacking]) => ({ techniqueId, certificate: certificate.name, lacks: lacking, openRules }))
    })
}

/** Dogs that come in the next three weeks by the trim they are planned for; all others by what their body is trimmed in. */
async function chancesFor(db: Reader, today: string): Promise<Chance[]> {
  const { visits: s, dogs: d } = tables
  const until = formatISO(addDays(parseISO(today), AHEAD_DAYS), { representation: 'date' })
  const planned = await db
    .select()
    .from(s)
    .innerJoin(d, eq(d.id, s.dogId))
    .where(and(gte(s.onDate, today), lte(s.onDate, until)))
    .orderBy(asc(s.onDate))
  const coming: Chance[] = []
  for (const { visits: visit, dogs: dog } of planned) {
    const { steps } = (await standardOfVisit(db, visit)).plan
    const techniques = new Set(steps.map(({ technique }) => technique))
    coming.push({ dogId: dog.id, name: dog.name, coat: dog.coat, onDate: visit.onDate, techniques, canStandMin: dog.canStandMin })
  }
  const standards = await newestStandards(db)
  const dogs = await db.select().from(d).orderBy(asc(d.name))
  const known = new Set(coming.map(({ dogId }) => dogId))
  const others = dogs
    .filter((dog) => !known.has(dog.id))
    .map((dog): Chance => {
      const trims = standards.filter(({ body }) => body.bodyType === dog.bodyType)
      const techniques = new Set(trims.flatMap(({ body }) => body.plan.steps.map(({ technique }) => technique)))
      return { dogId: dog.id, name: dog.name, coat: dog.coat, onDate: null, techniques, canStandMin: dog.canStandMin }
    })
  return [...coming, ...others]
}

/** What to practise next, best first, each with its dog and its reasons. */
export async function nextFor(
  db: Reader,
  records: ReadonlyMap<string, TechniqueRecord>,
  progress: readonly Progress[],
  today: string
): Promise<PractiseNext[]> {
  const { lapseDays } = await standingRules(db)
  const all = [...records].map(([id, { technique, standing, attempts }]) => ({
    id,
    name: technique.name,
    after: technique.after,
    standing,
    attempts
  }))
  const found = practiseNext(all, needsOf(progress, records, today), await chancesFor(db, today), { today, lapseDays })
  const dogs = new Map((await db.select().from(tables.dogs)).map((dog) => [dog.id, dog]))
  return found.slice(0, MOST_TOLD).map(({ techniqueId, name, dog, why }) => {
    const row = dog ? dogs.get(dog.dogId)! : null
    return {
      techniqueId,
      say: row ? `**${name} on ${row.name}.**` : `**${name}.**`,
      why,
      dog: row ? dogView(row) : null,
      onDate: dog?.onDate ?? null
    }
  })
}
