import { createInterface } from 'node:readline'
import { Writable } from 'node:stream'

/** Asks at the terminal for something that is not shown while it is typed. */
export function askHidden(question: string): Promise<string> {
  process.stdout.write(question)
  const silent = new Writable({ write: (_chunk, _encoding, done) => done() })
  const reader = createInterface({ input: process.stdin, output: silent, terminal: process.stdin.isTTY })
  return new Promise((resolve) => {
    reader.once('line', (line) => {
      reader.close()
      process.stdout.write('\n')
      resolve(line)
    })
    reader.once('close', () => resolve(''))
  })
}
