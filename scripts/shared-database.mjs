// A database that Peen does not start itself: one of several machines, or one that the school runs already.
import { readFileSync, statSync } from 'node:fs'
import { Refusal } from './machine.mjs'

const USUAL_PORT = 3306
const KNOWN = ['hosts', 'user', 'password', 'database', 'ca']

/**
 * Reads the file that PEEN_DATABASE names: {"hosts": ["10.0.0.1", "10.0.0.2:3307"], "user", "password", "database", "ca"?}.
 * @returns the settings of the application, or null where no file is named; refuses with a sentence that says what is wrong
 */
export function sharedDatabase(path) {
  if (!path) return null
  const refuse = (says) => {
    throw new Refusal(`PEEN_DATABASE is ${path}: ${says}`)
  }
  const read = (file) => {
    try {
      return readFileSync(file, 'utf8')
    } catch (error) {
      return refuse(`${file} cannot be read (${error.code}).`)
    }
  }
  const text = read(path)
  if ((statSync(path).mode & 0o077) !== 0) refuse('other users of this computer can read its password. Run chmod 600 on it.')
  let asked
  try {
    asked = JSON.parse(text)
  } catch {
    refuse('it is not JSON.')
  }
  const unknown = Object.keys(asked).find((name) => !KNOWN.includes(name))
  if (unknown) refuse(`"${unknown}" is not known; it must be one of ${KNOWN.join(', ')}.`)
  for (const name of ['user', 'password', 'database'])
    if (typeof asked[name] !== 'string' || asked[name] === '') refuse(`${name} is missing.`)
  if (!Array.isArray(asked.hosts) || asked.hosts.length === 0)
    refuse('hosts is missing; it is a list such as ["10.0.0.1", "10.0.0.2:3307"].')
  const [first, ...others] = asked.hosts.map(
    (host) => nodeFrom(host) ?? refuse(`"${host}" is no host; write 10.0.0.1 or db.school.example:3306.`)
  )
  const { user, password, database } = asked
  return { ...first, others, user, password, database, ...(asked.ca ? { ca: read(asked.ca), caFile: asked.ca } : {}) }
}

function nodeFrom(text) {
  const found = /^([\w.-]+)(?::(\d{1,5}))?$/.exec(String(text))
  const port = Number(found?.[2] ?? USUAL_PORT)
  return found && port > 0 && port < 65536 ? { host: found[1], port } : null
}
