// A browser's own database for the tests of one file: gone with them, so that no other file finds it.
import * as fake from 'fake-indexeddb'
import { afterAll, beforeAll } from 'vitest'

export function browserDatabase(): void {
  const names = Object.keys(fake).filter((name) => name.startsWith('IDB'))
  beforeAll(() => {
    for (const name of names) Object.assign(globalThis, { [name]: fake[name as keyof typeof fake] })
    Object.assign(globalThis, { indexedDB: new fake.IDBFactory() })
  })
  afterAll(() => {
    for (const name of [...names, 'indexedDB']) Reflect.deleteProperty(globalThis, name)
  })
}
