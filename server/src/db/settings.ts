// Where the database is, and how one connection to it is opened.
import type { ConnectionOptions } from 'mysql2/promise'
import type { Node } from './cluster'

export type DatabaseSettings = {
  readonly host: string
  readonly port: number
  readonly user: string
  readonly password: string
  readonly database: string
  /** further nodes of the same database, in the order in which they are tried after the first */
  readonly others?: readonly Node[]
  /** the authority that vouches for a database on another machine, as PEM and as the file it was read from; with it connections are encrypted */
  readonly ca?: string
  readonly caFile?: string
}

/** The settings of the driver for one connection. Without a database where none is named. */
export const optionsOf = ({
  others: _others,
  ca,
  caFile: _file,
  ...settings
}: Partial<DatabaseSettings> & Pick<DatabaseSettings, 'host' | 'port'>): ConnectionOptions => ({
  ...settings,
  ...(ca ? { ssl: { ca } } : {})
})
