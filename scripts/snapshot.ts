// A photograph by the simulated table camera, and beside it the side file with the true millimetres.
//   npm run snapshot -- trim.jpg --coat bearded-pet --seen left --yaw 3 --distance 1500 --restraint
import { bodyById, coats, colourNames, colouringOf, drawnFaults, faultOf } from '@peen/content'
import { CoreError } from '@peen/core/error'
import type { Fault } from '@peen/core/figure'
import { photograph, usualScene, type Scene, type Seen } from '@peen/devices/camera'
import { truthOf } from '@peen/devices/truth'
import { writeFileSync } from 'node:fs'
import { parseArgs } from 'node:util'

const SEEN: readonly Seen[] = ['left', 'right', 'head', 'front', 'rear', 'above']
const HELP = `npm run snapshot -- <picture.jpg> [options]
  --coat <id>          ${coats.map(({ id }) => id).join(', ')}
  --seen <from>        ${SEEN.join(', ')}
  --colour <name>      ${colourNames.join(', ')}
  --fault <kind[=n]>   ${drawnFaults.map(({ kind }) => kind).join(', ')}; may be given again
  --days <n>           days since the trim
  --distance <mm>  --yaw <degrees>  --roll <degrees>  --width <px>  --height <px>  --quality <1-100>
  --falloff <0-1>  --shadow <0-1>  --wall <#rrggbb>  --no-table  --restraint  --noise <steps>  --seed <n>
  --ruler <mm, or none>  --ruler-depth <mm>
Writes <picture.jpg> and <picture>.truth.json.`

const number = { type: 'string' } as const

function read() {
  return parseArgs({
    allowPositionals: true,
    allowNegative: true,
    options: {
      help: { type: 'boolean' },
      coat: { type: 'string', default: 'bearded-pet' },
      seen: { type: 'string', default: 'left' },
      colour: { type: 'string' },
      fault: { type: 'string', multiple: true, default: [] },
      days: number,
      distance: number,
      yaw: number,
      roll: number,
      width: number,
      height: number,
      quality: number,
      falloff: number,
      shadow: number,
      wall: { type: 'string' },
      table: { type: 'boolean', default: true },
      restraint: { type: 'boolean', default: false },
      noise: number,
      seed: number,
      ruler: { type: 'string' },
      'ruler-depth': number
    }
  })
}

function one<T>(option: string, value: string, from: readonly T[], nameOf: (item: T) => string): T {
  const found = from.find((item) => nameOf(item) === value)
  if (found === undefined) throw new CoreError({ code: 'unknown', path: `--${option}`, got: value, limit: from.map(nameOf).join(', ') })
  return found
}

function asNumber(option: string, value: string | undefined, usual: number): number {
  if (value === undefined) return usual
  const found = Number(value)
  if (value.trim() === '' || !Number.isFinite(found))
    throw new CoreError({ code: 'notANumber', path: `--${option}`, got: value, limit: 'a number' })
  return found
}

function faultFrom(text: string): Fault {
  const [kind, value] = text.split('=')
  const fault = one('fault', kind, drawnFaults, (drawn) => drawn.kind)
  return faultOf(fault, asNumber('fault', value, fault.usual))
}

function sceneFrom(options: ReturnType<typeof read>['values']): Scene {
  const coat = one('coat', options.coat, coats, ({ id }) => id)
  const seen = one('seen', options.seen, SEEN, (from) => from)
  const body = bodyById(coat.body)
  const colour = options.colour ? one('colour', options.colour, colourNames, (name) => name) : coat.colour
  const worn = { lengths: coat.lengths, faults: options.fault.map(faultFrom), days: asNumber('days', options.days, 0) }
  const usual = usualScene({ body, withersMm: body.withersMm, colouring: colouringOf(colour), coat, worn }, seen)
  const { picture, camera, light, wall, ruler } = usual
  const get = (
    option: 'distance' | 'yaw' | 'roll' | 'width' | 'height' | 'quality' | 'falloff' | 'shadow' | 'noise' | 'seed',
    is: number
  ) => asNumber(option, options[option], is)
  return {
    ...usual,
    picture: {
      widthPx: get('width', picture.widthPx),
      heightPx: get('height', picture.heightPx),
      jpegQuality: get('quality', picture.jpegQuality)
    },
    camera: {
      distanceMm: get('distance', camera.distanceMm),
      yawDeg: get('yaw', camera.yawDeg),
      rollDeg: get('roll', camera.rollDeg)
    },
    light: { ...light, falloff: get('falloff', light.falloff), shadow: get('shadow', light.shadow) },
    wall: { ...wall, colour: options.wall ?? wall.colour },
    table: options.table ? usual.table : null,
    restraint: options.restraint,
    noise: get('noise', usual.noise),
    seed: get('seed', usual.seed),
    ruler:
      options.ruler === 'none' || !ruler
        ? null
        : { lengthMm: asNumber('ruler', options.ruler, ruler.lengthMm), depthMm: asNumber('ruler-depth', options['ruler-depth'], 0) }
  }
}

try {
  const { values, positionals } = read()
  const [file] = positionals
  if (values.help || !file) console.log(HELP)
  else {
    const scene = sceneFrom(values)
    const side = `${file.replace(/\.jpe?g$/i, '')}.truth.json`
    writeFileSync(file, await photograph(scene))
    writeFileSync(side, JSON.stringify(truthOf(scene)))
    console.log(`${file}  and the true millimetres in  ${side}`)
  }
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  process.exitCode = 1
}
