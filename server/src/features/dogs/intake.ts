// Dogs that are taken in: one by a form, many by a table.
import { bodies, colourName, colourNames } from '@peen/content'
import { check, newDogSchema, NO_PROFILE, type DogLine, type DogsPreview, type NewDog } from '@peen/contract'
import { v7 } from 'uuid'
import { fromCsv, fromText } from '../../csv'
import { inTransaction, orTaken, tables, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'

type Looks = { readonly bodyType: string; readonly colour: string }

function looksIssues({ bodyType, colour }: Looks): readonly { readonly path: string; readonly detail: string }[] {
  const known = [
    { path: 'bodyType', name: 'Body type', got: bodyType, allowed: bodies.map(({ id }) => id) },
    { path: 'colour', name: 'Colour', got: colour, allowed: colourNames }
  ]
  return known
    .filter(({ got, allowed }) => !allowed.includes(got))
    .map(({ path, name, got, allowed }) => ({ path, detail: `${name} is ${got}; it must be ${allowed.join(', ')}.` }))
}

/** Refuses a body type or colour that cannot be drawn. */
export function knownLooks(looks: Looks): void {
  const wrong = looksIssues(looks)
  if (wrong.length > 0) throw refuse.invalid([...wrong])
}

/** Takes a dog in, with what is asked of every dog; the rest is for its profile. */
export async function addDog({ db }: Services, dog: NewDog): Promise<{ readonly id: string }> {
  knownLooks(dog)
  await inTransaction(db, (tx) => addWithin(tx, dog))
  return { id: dog.id }
}

async function addWithin(tx: Transaction, { owner, contact, breed, coatType, ...rest }: NewDog): Promise<void> {
  const ownerId = owner === '' ? null : v7()
  if (ownerId) await tx.insert(tables.owners).values({ id: ownerId, givenName: owner, contact })
  const profile = breed === '' && coatType === null ? null : { ...NO_PROFILE, breed, coatType }
  await orTaken(tx.insert(tables.dogs).values({ ...rest, profile, burns: [], facts: [], ownerId }), refuse.taken('dog'))
}

const COLUMNS = [
  'name',
  'breed',
  'bodyType',
  'coat',
  'colour',
  'withersMm',
  'canStandMin',
  'temperament',
  'dislikes',
  'owner',
  'contact'
] as const
const NEEDED = ['name', 'bodyType', 'coat', 'colour', 'withersMm', 'canStandMin', 'temperament'] as const
const MOST_LINES = 300
const atLine = (line: number, detail: string) => ({ path: `line ${line}`, detail: `Line ${line}: ${detail}` })

type Read = { readonly ok: true; readonly dogs: readonly (NewDog & { readonly line: number })[] } | Extract<DogsPreview, { ok: false }>

function readDogs(text: string): Read {
  const { headings, rows, broken } = fromCsv(text)
  const issues = [
    ...NEEDED.filter((name) => !headings.includes(name)).map((name) =>
      atLine(1, `the column ${name} is missing; the columns are ${COLUMNS.join(', ')}.`)
    ),
    ...headings
      .filter((name) => !(COLUMNS as readonly string[]).includes(name))
      .map((name) =>
        atLine(1, `${name.slice(0, 40) || 'a column without a name'} is not a column; the columns are ${COLUMNS.join(', ')}.`)
      ),
    ...broken.map(({ line, detail }) => atLine(line, `${detail}.`)),
    ...(rows.length === 0 ? [atLine(2, 'the table has no dogs; it must have at least one.')] : []),
    ...(rows.length > MOST_LINES
      ? [atLine(rows[MOST_LINES].line, `the table has ${rows.length} dogs; it can have up to ${MOST_LINES}.`)]
      : [])
  ]
  if (issues.length > 0) return { ok: false, issues }
  const dogs = rows.map(({ line, cells }) => {
    const cell = (name: string) => fromText((cells[name] ?? '').trim())
    const words = Object.fromEntries(
      ['name', 'breed', 'coat', 'temperament', 'dislikes', 'owner', 'contact'].map((name) => [name, cell(name)])
    )
    const number = (name: string) => (cell(name) === '' ? undefined : Number(cell(name).replace(',', '.')))
    // a body or a colour may be written by its name as well as by its key
    const body = bodies.find(({ id, label }) => [id, label].some((one) => one.toLowerCase() === cell('bodyType').toLowerCase()))?.id
    const colour = colourNames.find((id) => [id, colourName(id)].some((one) => one.toLowerCase() === cell('colour').toLowerCase()))
    const more = { bodyType: body ?? cell('bodyType'), colour: colour ?? cell('colour'), coatType: null }
    return {
      line,
      id: v7(),
      ...words,
      ...more,
      withersMm: number('withersMm'),
      canStandMin: number('canStandMin')
    } as unknown as NewDog & {
      line: number
    }
  })
  const wrong = dogs.flatMap(({ line, ...dog }) => {
    const checked = check(newDogSchema as never, dog)
    if (!checked.ok) return checked.issues.map(({ detail }) => atLine(line, detail))
    return looksIssues(dog).map(({ detail }) => atLine(line, detail))
  })
  return wrong.length > 0 ? { ok: false, issues: wrong } : { ok: true, dogs }
}

/** What a table would take in; nothing is written. */
export async function previewDogs(text: string): Promise<DogsPreview> {
  const read = readDogs(text)
  return read.ok
    ? { ok: true, dogs: read.dogs.map(({ line, name, breed, coat, withersMm }): DogLine => ({ line, name, breed, coat, withersMm })) }
    : read
}

/** Takes in every dog of a table, or none. */
export async function takeDogsIn({ db }: Services, text: string): Promise<{ readonly takenIn: number }> {
  const read = readDogs(text)
  if (!read.ok) throw refuse.invalid([...read.issues])
  await inTransaction(db, async (tx) => {
    for (const { line: _line, ...dog } of read.dogs) await addWithin(tx, dog)
  })
  return { takenIn: read.dogs.length }
}
