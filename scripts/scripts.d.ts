// The start scripts are plain JavaScript, because they run before anything is installed; their tests are not.
declare module '*/machine.mjs' {
  export class Refusal extends Error {}
  export const ROOT: string
  export function freePort(): Promise<number>
  export function refuseTakenPort(port: number, what: string, setting: string): Promise<void>
}
declare module '*/mariadb.mjs' {
  export function startMariadb(options: { folder: string; port: number; durable?: boolean }): Promise<{
    port: number
    user: string
    password: string
    createDatabase: (name: string) => Promise<void>
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
