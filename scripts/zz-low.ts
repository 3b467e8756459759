import { mendsOf, sceneOf, seenIn } from '@peen/devices/scenes'
const [from, n] = process.argv.slice(2).map(Number)
for (let seed = from!; seed < from! + n!; seed++) {
  const scene = sceneOf(seed, 320)
  for (const { kind, before, after } of mendsOf(scene, seed)) if (after < before - 0.002) { const s = seenIn(scene); console.log(seed, scene.framing, scene.wall, scene.table, scene.coat, kind, before.toFixed(3), after.toFixed(3), s.unfit, s.doubts.join('|')) }
}
console.log('done', from, n)
