// npm run endure: 200 rounds of kills, cuts, reordered batches and wrong clocks while three tablets tap and gradings are signed.
//   npm run endure -- 50        so many rounds;  PEEN_SEED draws others
import { endure } from '../server/src/testing/endure'

const rounds = Number(process.argv[2] ?? 200)
const seed = Number(process.env.PEEN_SEED ?? 20261128)
if (!Number.isInteger(rounds) || rounds < 1) {
  process.stderr.write(`Rounds is ${process.argv[2]}; allowed is a whole number from 1.\n`)
  process.exit(1)
}
const say = (line: string) => void process.stdout.write(`${line}\n`)
say(`${rounds} rounds, seed ${seed}`)
const told = await endure({ rounds, seed, say })
say(JSON.stringify(told, null, 2))
const { lost, doubled, foreign, refused, halfSigned, trail, derived } = told
const isWell = lost + doubled + foreign + refused + halfSigned === 0 && trail && derived === 'same'
say(isWell ? 'Nothing lost, doubled, refused or half signed.' : 'NOT WELL: look above.')
process.exit(isWell ? 0 : 1)
