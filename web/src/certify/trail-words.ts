// What a check of the trail came to, in sentences.
import type { TrailCheck } from '@peen/contract'

const THINGS: Readonly<Record<string, string>> = {
  grading: 'A signed grading',
  events: 'What was recorded at a table before its trim was signed',
  pictures: 'A photograph of a trim that was signed',
  finding: 'A decision about a certificate',
  signature: 'A signature under a certificate',
  assessment: 'What two assessors agreed on',
  account: 'An account of staff',
  standard: 'A version of a trim that is in use',
  certificate: 'The rules of a certificate that is in use'
}

/** "Nothing that was signed has been changed." */
export function sayCheck({ whole, brokenAt, changed }: TrailCheck): string {
  if (whole) return 'Nothing that was signed has been changed.'
  const entry = brokenAt === null ? [] : [`entry ${brokenAt} of the trail does not fit`]
  const things = changed.length === 0 ? [] : [changed.length === 1 ? 'one thing was changed' : `${changed.length} things were changed`]
  return `Something was changed past Peen: ${[...entry, ...things].join(', and ')}. Restore a backup, and find out who has the database.`
}

/** "A signed grading is not what it was when it was signed (grading:…, entry 12)." */
export function sayChanged({ name, seq, missing }: TrailCheck['changed'][number]): string {
  const what = THINGS[name.slice(0, name.indexOf(':'))] ?? 'Something'
  if (seq === 0) return `${what} was put in past Peen (${name}).`
  return missing ? `${what} is gone (${name}, entry ${seq}).` : `${what} is not what it was (${name}, entry ${seq}).`
}
