// The published JSON Schema of a standard, for files that go out and come in (served at /api/schemas/standard, docs/standard.schema.json).
import { COAT_TYPES } from '@peen/core/advice'
import { MEASURE_IDS } from '@peen/core/measure'
import { REGION_IDS } from '@peen/core/regions'
import { DOES, FORMULA_IDS, PASS_DIRECTIONS, PASS_KINDS, SHARES, STATIONS } from '@peen/core/standard'

const text = (maxLength: number) => ({ type: 'string', minLength: 1, maxLength, pattern: '\\S' })
const slug = { type: 'string', pattern: '^[a-z0-9][a-z0-9-]*$', maxLength: 60 }
const amount = (minimum: number, maximum: number) => ({ type: 'number', minimum, maximum })
const count = (minimum: number, maximum: number) => ({ type: 'integer', minimum, maximum })
const list = (items: object, maxItems: number, minItems = 0) => ({ type: 'array', items, minItems, maxItems })
/** An object in which everything named is needed, but what `optional` names. */
const record = (properties: Readonly<Record<string, object>>, optional: readonly string[] = []) => ({
  type: 'object',
  properties,
  required: Object.keys(properties).filter((name) => !optional.includes(name)),
  additionalProperties: false
})
const ends = {
  type: 'array',
  items: { type: ['number', 'null'] },
  minItems: 2,
  maxItems: 2,
  description: 'low and high; null leaves an end open'
}
const sides = { enum: ['pair', 'single'] }
const mending = { fault: text(200), mend: text(200), mendNow: { type: 'boolean' } }
const kind = (value: string) => ({ const: value })

const how = {
  oneOf: [
    record({
      kind: kind('length'),
      sides,
      targetMm: amount(0, 300),
      band: ends,
      limit: ends,
      instrument: slug,
      grownOutMm: amount(0, 600)
    }),
    record({ kind: kind('measured'), sides, targetMm: amount(0, 300), band: ends, limit: ends, instrument: slug, ...mending }),
    record(
      {
        kind: kind('computed'),
        formula: { enum: FORMULA_IDS },
        sides,
        target: amount(-100000, 100000),
        band: ends,
        limit: ends,
        instrument: slug,
        typical: { type: 'object', additionalProperties: amount(-1500, 3000) },
        readingsOf: slug,
        ...mending
      },
      ['readingsOf']
    ),
    record({ kind: kind('difference'), of: slug, band: ends, limit: ends }),
    record({ kind: kind('judged'), sides, levels: list(text(160), 5, 5), mend: text(200), mendNow: { type: 'boolean' } })
  ]
}

const criterion = record(
  {
    id: slug,
    label: text(80),
    section: slug,
    station: { enum: STATIONS },
    weight: { type: 'number', exclusiveMinimum: 0, maximum: 1000 },
    region: { enum: REGION_IDS },
    place: text(120),
    picture: { enum: MEASURE_IDS, description: 'what a photograph is measured for to answer it' },
    praise: text(160),
    how
  },
  ['picture']
)

const lengths = {
  type: 'object',
  propertyNames: { enum: REGION_IDS },
  additionalProperties: { type: 'number', exclusiveMinimum: 0, maximum: 300 },
  description: 'mm of hair left, by region'
}

const houseSide = record({ id: slug, side: count(0, 9) })
const mm = amount(0.05, 300)
const work = list(
  record(
    {
      place: { enum: REGION_IDS },
      part: text(60),
      does: {
        enum: DOES,
        description: 'passes; coat: the coat itself stands; leave: nothing is taken; unsaid: of before there was a plan'
      },
      passes: list(
        record(
          {
            kind: { enum: PASS_KINDS },
            tools: list(slug, 12),
            direction: { enum: [...PASS_DIRECTIONS, null] },
            leavesMm: { anyOf: [mm, { type: 'null' }] },
            technique: slug,
            where: text(200),
            share: { enum: SHARES },
            house: houseSide,
            coats: list({ enum: COAT_TYPES }, COAT_TYPES.length),
            purpose: { enum: ['pet', 'show'] }
          },
          ['where', 'share', 'house', 'coats', 'purpose']
        ),
        12
      ),
      standsMm: mm,
      note: text(200),
      house: houseSide
    },
    ['part', 'standsMm', 'note', 'house']
  ),
  REGION_IDS.length * 4
)

export const standardJsonSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: 'urn:peen:standard',
  title: 'A standard that a finished trim is graded against',
  ...record({
    id: slug,
    version: count(1, 100000),
    name: text(100),
    bodyType: slug,
    standardMin: { type: 'number', exclusiveMinimum: 0, maximum: 1000 },
    passMark: { type: 'number', exclusiveMinimum: 0, exclusiveMaximum: 100 },
    makes: list(record({ say: text(200), criteria: list(slug, 40) }), 12),
    ownFault: record({ name: text(120), criterion: slug }),
    instruments: list(
      record({
        id: slug,
        name: text(60),
        uMm: { type: 'number', exclusiveMinimum: 0, maximum: 100 },
        commonMm: amount(0, 100),
        readings: count(1, 9)
      }),
      12
    ),
    sections: list(record({ id: slug, name: text(60), floor: amount(0, 100) }), 12, 1),
    critical: list(record({ id: slug, name: text(100), cap: { type: 'number', minimum: 0, exclusiveMaximum: 100 } }), 30),
    plan: record(
      {
        drawnAs: slug,
        work,
        lengthsMm: lengths,
        steps: list(
          record(
            {
              technique: slug,
              label: text(80),
              toolId: { anyOf: [slug, { type: 'null' }] },
              direction: { enum: ['with', 'against', null] },
              minutes: { type: 'number', exclusiveMinimum: 0, maximum: 1000 },
              apart: { type: 'boolean' },
              house: houseSide
            },
            ['apart', 'house']
          ),
          40,
          1
        )
      },
      ['work']
    ),
    criteria: list(criterion, 80, 1),
    variants: list(
      record({ rule: slug, side: count(0, 9), says: text(200), lengthsMm: lengths, drops: list(slug, 40), criteria: list(criterion, 20) }, [
        'lengthsMm',
        'drops',
        'criteria'
      ]),
      40
    )
  })
} as const
