// The bodies that a dog can be drawn with, and its colours.
import type { BodyType, Colouring } from '@peen/core/figure'
import bodyBearded from './bodies/bearded.json'
import bodyCompanion from './bodies/companion.json'
import bodyHighland from './bodies/highland.json'
import bodyLonglegged from './bodies/longlegged.json'
import bodyMountain from './bodies/mountain.json'
import bodyPoodle from './bodies/poodle.json'
import bodySpaniel from './bodies/spaniel.json'
import bodySporting from './bodies/sporting.json'
import bodyTerrier from './bodies/terrier.json'
import bodyToy from './bodies/toy.json'
import colourData from './colours.json'

export const bodies = [
  bodyTerrier,
  bodyHighland,
  bodyBearded,
  bodyPoodle,
  bodyToy,
  bodySpaniel,
  bodyCompanion,
  bodyMountain,
  bodyLonglegged,
  bodySporting
] as unknown as readonly BodyType[]

export function bodyById(id: string): BodyType {
  return bodies.find((body) => body.id === id) ?? bodies[0]
}

export const colourNames: readonly string[] = Object.keys(colourData.colours)

/** What people call the colours that a dog can be drawn in. */
const COLOUR_WORDS: Readonly<Record<string, string>> = {
  ...{ pepper: 'pepper and salt', black: 'black', white: 'white', wheaten: 'wheaten', apricot: 'apricot', cream: 'cream', gold: 'gold' },
  ...{ saddle: 'tan with a black saddle', grizzle: 'grizzle', blueGold: 'blue and gold', parti: 'parti-coloured', tricolour: 'tricolour' },
  ...{ redCoat: 'red', roan: 'roan', ink: 'jet black' }
}
/** The name of a colour by its key: "pepper and salt". */
export const colourName = (id: string): string => COLOUR_WORDS[id] ?? id

/** A dog's colouring by its name in the profile; an unknown one is drawn in pepper. */
export function colouringOf(colour: string): Colouring {
  const { ramps, colours } = colourData
  const found = (colours as unknown as Record<string, Omit<Colouring, 'ramps'>>)[colour] ?? (colours.pepper as Omit<Colouring, 'ramps'>)
  return { ramps, ...found }
}
