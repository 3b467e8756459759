// Passwords that are guessed first. The list ships with a package; what is only a word of it with figures at its end is as common.
import { dictionary } from '@zxcvbn-ts/language-common'
import { refuse } from '../../http'

const COMMON: ReadonlySet<string> = new Set(dictionary.passwords as readonly string[])

/** Is a password one of the common ones: as it is, without what stands at its end, or one character or run over and over? */
export function isCommon(password: string): boolean {
  const plain = password.normalize('NFKC').toLowerCase()
  const letters = [...plain]
  const stem = letters.slice(0, letters.findLastIndex((one) => /\p{L}/u.test(one)) + 1).join('')
  const few = new Set(plain).size <= 3
  return COMMON.has(plain) || COMMON.has(stem) || few || isRun(plain)
}

const RUNS = ['0123456789012345678901234567890', 'abcdefghijklmnopqrstuvwxyz', 'qwertyuiopasdfghjklzxcvbnm', 'qwertzuiopasdfghjklyxcvbnm']
const isRun = (text: string) => RUNS.some((run) => run.includes(text) || [...run].reverse().join('').includes(text))

/** Refuses a common password, naming the field. */
export function refuseCommon(password: string, field: string): void {
  if (isCommon(password))
    throw refuse.invalid([
      {
        path: field,
        detail: 'This password is too easy to guess. Choose another, such as three or four unrelated words.'
      }
    ])
}
