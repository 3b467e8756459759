// Photographs and what assessors put on them.
import type { Moment, PhotoMarks, Stance } from '@peen/contract'
import type { RegionDeparture, Seen } from '@peen/core/measure'
import { index, int, json, mysqlTable, primaryKey } from 'drizzle-orm/mysql-core'
import { bytes, name, utc, uuid } from './columns'
import { people, visits } from './schema-school'

/** Photographs of a dog, re-encoded and without their location. */
export const pictures = mysqlTable(
  'pictures',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    moment: name('moment', 10).$type<Moment>().notNull(),
    stance: name('stance', 10).$type<Stance>().notNull(),
    by: uuid('by_person').notNull(),
    at: utc('at').notNull(),
    widthPx: int('width_px').notNull(),
    heightPx: int('height_px').notNull(),
    bytes: bytes('bytes').notNull()
  },
  (t) => [index('pictures_visit').on(t.visitId)]
)

/** What one assessor put on a photograph: scale, corrected outline, places and lines; and how far each region stands off the plan. */
export const pictureMarks = mysqlTable(
  'picture_marks',
  {
    pictureId: uuid('picture_id')
      .notNull()
      .references(() => pictures.id, { onDelete: 'cascade' }),
    by: uuid('by_person')
      .notNull()
      .references(() => people.id),
    seen: name('seen', 10).$type<Seen>().notNull(),
    version: int('version').notNull(),
    marks: json('marks').$type<PhotoMarks>().notNull(),
    regions: json('regions').$type<RegionDeparture[]>().notNull(),
    at: utc('at').notNull()
  },
  (t) => [primaryKey({ columns: [t.pictureId, t.by] })]
)
