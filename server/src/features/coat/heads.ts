// The coats of all dogs, the one that needs somebody first.
import type { CoatAim, CoatHead, CoatList, DogView, Me } from '@peen/contract'
import { coatModel, dayOf, warningsOf, worstLag, type CoatEntry, type CoatRules, type Warning } from '@peen/core/coat'
import { asc } from 'drizzle-orm'
import { tables } from '../../db'
import type { Services } from '../../http'
import { dogView } from '../people'
import { coatRulesOf, sproutDaysOf } from './limits'
import { aimOf, aimsOf, linesOf } from './lines'

/** How far ahead a warning is looked for where no day is set, days. Chosen: what can still be mended. */
const AHEAD_DAYS = 42
/** Warnings that a list says of one dog: one of each kind. */
const MOST = 3
const oneOfEach = (warnings: readonly Warning[]) => warnings.filter(({ kind }, i) => warnings.findIndex((one) => one.kind === kind) === i)

export async function coatList({ db, clock }: Services, actor: Me): Promise<CoatList> {
  const dogs = await db.select().from(tables.dogs).orderBy(asc(tables.dogs.name))
  const today = await clock.today()
  const [rules, sproutDays, aims] = [await coatRulesOf(db), await sproutDaysOf(db), await aimsOf(db)]
  const books = await linesOf(
    { db, actor, today },
    dogs.map(({ id }) => id)
  )
  const heads = dogs.map((row) => {
    const entries = books.get(row.id)!.lines.filter(({ struck }) => struck === null)
    return headOf({ dog: dogView(row), entries, rules, sproutDays, today, aim: aimOf(aims, row.id) })
  })
  const need = ({ isStripped, warnings }: CoatHead) => (isStripped ? 0 : 10) + (warnings.length > 0 ? 0 : 1)
  return { today, heads: [...heads].sort((a, b) => need(a) - need(b)) }
}

type HeadFacts = {
  readonly dog: DogView
  readonly entries: readonly CoatEntry[]
  readonly rules: CoatRules
  readonly sproutDays: number
  readonly today: string
  readonly aim: CoatAim
}

/** Heads by the facts they were made of: modelling a year of a whole dog takes tens of milliseconds, comparing its book much less. */
const known = new Map<string, { readonly facts: string; readonly head: CoatHead }>()
const MOST_KNOWN = 2000

function headOf(facts: HeadFacts): CoatHead {
  const text = JSON.stringify(facts)
  const before = known.get(facts.dog.id)
  if (before?.facts === text) return before.head
  const head = modelled(facts)
  if (known.size >= MOST_KNOWN) known.clear()
  known.set(facts.dog.id, { facts: text, head })
  return head
}

function modelled({ dog, entries, rules, sproutDays, today, aim }: HeadFacts): CoatHead {
  const model = coatModel({ entries, dog: { bornOn: dog.bornOn, today }, isWire: dog.coatType === 'wire', sproutDays, rules, places: [] })
  const day = dayOf(today)
  const worst = worstLag(model, day)
  return {
    dog,
    isStripped: [...model.places.values()].some(({ isStripped }) => isStripped),
    lastOn: entries.reduce<string | null>((last, { on }) => (last === null || on > last ? on : last), null),
    lag: worst && Math.abs(worst.lag.days) > rules.lagDays ? { place: worst.place, days: worst.lag.days } : null,
    warnings: oneOfEach(warningsOf(model, day, day + AHEAD_DAYS)).slice(0, MOST),
    aim
  }
}
