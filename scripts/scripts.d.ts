// The start scripts are plain JavaScript, because they run before anything is installed; their tests are not.
declare module '*/machine.mjs' {
  export class Refusal extends Error {}
  export const ROOT: string
  export function freePort(): Promise<number>
  export function freePorts(many: number): Promise<number[]>
  /** The path of a Debian program; installs its package where it is missing. */
  export function ensureProgram(paths: readonly string[], debianPackage: string): string
  export function refuseTakenPort(port: number, what: string, setting: string): Promise<void>
}
declare module '*/doctor.mjs' {
  export type MachineFacts = {
    readonly node: string
    readonly packages: boolean
    readonly mariadb: string | null
    readonly ports: readonly { readonly port: number; readonly what: string; readonly taken: boolean }[]
    readonly runs: boolean
    readonly freeBytes: number
    readonly disk: string
    readonly now: Date
    readonly newest: Date | null
    readonly room: boolean
    readonly leafEnds: Date | null
    readonly backup: { readonly at: Date; readonly isProven: boolean; readonly hasPassphrase: boolean } | null
  }
  export function newestBackup(folder: string): MachineFacts['backup']
  export function judged(facts: MachineFacts): readonly { readonly how: 'well' | 'care' | 'bad'; readonly says: string }[]
}
declare module '*/mariadb.mjs' {
  export function isOurs(pid: number, data: string): boolean
  export function startMariadb(options: {
    folder: string
    port: number
    durable?: boolean
    whenEnded?: () => void
    more?: readonly string[]
  }): Promise<{
    port: number
    user: string
    password: string
    createDatabase: (name: string) => Promise<void>
    allowDatabases: (prefix: string) => Promise<void>
    stop: () => Promise<void>
  }>
}
declare module '*/shared-database.mjs' {
  type Node = { readonly host: string; readonly port: number }
  type Shared = Node & {
    readonly others: readonly Node[]
    readonly user: string
    readonly password: string
    readonly database: string
    readonly ca?: string
  }
  export function sharedDatabase(path: string | undefined): Shared | null
}
declare module '*/cluster.mjs' {
  export function startCluster(folder: string): Promise<{
    nodes: { host: string; port: number }[]
    user: string
    password: string
    allowDatabases: (prefix: string) => Promise<void>
    kill: (node: number) => Promise<void>
    stopOne: (node: number) => Promise<void>
    open: (node: number) => Promise<void>
    freeze: (node: number) => () => void
    whole: () => Promise<void>
    stop: () => Promise<void>
  }>
}
declare module '*/test-database.mjs' {
  export function startTestDatabase(): Promise<{
    settings: { host: string; port: number; user: string; password: string }
    stop: () => Promise<void>
  }>
}
declare module '*/reports.mjs' {
  type Taken = { readonly name: string; readonly seconds: number }
  type Reported = { readonly passed: number; readonly failures: readonly string[]; readonly seconds: readonly Taken[] }
  export function slowest(seconds: readonly Taken[], most?: number): string
  export function ofVitest(file: string): Reported
  export function ofPlaywright(file: string): Reported
}

/** The library behind scripts/fast-check.ts. */
declare module 'fast-check-itself' {
  export * from 'fast-check'
}
