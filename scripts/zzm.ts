import sharp from 'sharp'
const [out, ...files] = process.argv.slice(2)
const metas = await Promise.all(files.map(async (f) => ({ f, m: await sharp(f).metadata() })))
const w = metas.reduce((s, x) => s + x.m.width! + 8, 0), h = Math.max(...metas.map((x) => x.m.height!))
let left = 0
const comps = metas.map((x) => { const c = { input: x.f, left, top: 0 }; left += x.m.width! + 8; return c })
await sharp({ create: { width: w, height: h, channels: 3, background: '#888' } }).composite(comps).png().toFile(out)
