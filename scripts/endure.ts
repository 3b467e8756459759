// npm run endure: 200 rounds of kills, cuts, reordered batches, reloads, two tabs, wrong clocks and a full disk while three tablets tap,
// photographs are sent, gradings and certificates are signed.
//   npm run endure -- 50          so many rounds;  PEEN_SEED draws others
//   npm run endure -- --cluster   two servers over a database of three nodes, one of which is lost at any time
import { endure } from '../server/src/testing/endure'

const words = process.argv.slice(2)
const isCluster = words.includes('--cluster')
const rounds = Number(words.find((word) => !word.startsWith('--')) ?? 200)
const seed = Number(process.env.PEEN_SEED ?? 20261128)
if (!Number.isInteger(rounds) || rounds < 1) {
  process.stderr.write(`Rounds is ${words.join(' ')}; it must be a whole number from 1.\n`)
  process.exit(1)
}
const say = (line: string) => void process.stdout.write(`${line}\n`)
say(`${rounds} rounds, seed ${seed}${isCluster ? ', three nodes' : ''}`)
const told = await endure({ rounds, seed, isCluster, say })
say(JSON.stringify(told, null, 2))
const { lost, doubled, doubleBooked, foreign, refused, halfSigned, trail, derived } = told
const isWell = [lost, doubled, doubleBooked, foreign, refused.length, halfSigned].every((many) => many === 0) && trail && derived === 'same'
say(isWell ? 'Nothing lost, doubled, refused or half signed.' : 'NOT WELL: look above.')
process.exit(isWell ? 0 : 1)
