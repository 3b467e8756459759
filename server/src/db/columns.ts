// Kinds of columns that every table is made of.
import { customType, date, datetime, varchar } from 'drizzle-orm/mysql-core'

// MariaDB's own uuid type; Drizzle's mysql dialect has none.
export const uuid = customType<{ data: string }>({ dataType: () => 'uuid' })
export const bytes = customType<{ data: Buffer }>({ dataType: () => 'mediumblob' })
export const utc = (name: string) => datetime(name, { mode: 'date', fsp: 3 })
export const day = (name: string) => date(name, { mode: 'string' })
export const name = (column: string, length = 60) => varchar(column, { length })
