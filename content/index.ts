// What Peen ships as data. Types come from core; contract validates the shapes when they enter the database.
import type { AdviceRule } from '@peen/core/advice'
import type { Certificate } from '@peen/core/certify'
import type { ClosingStep } from '@peen/core/coat'
import type { BodyType, Coat, Colouring, DrawnRegion, Fault, FaultKind, ShapeKind, ViewId } from '@peen/core/figure'
import type { RegionId } from '@peen/core/regions'
import type { TrimFit } from '@peen/core/setup'
import { lengthsOfWork, placesTaken, type Known, type Plan, type Standard } from '@peen/core/standard'
import { waitsForGate, type Family, type OralQuestion, type RetiredTechnique, type Technique } from '@peen/core/technique'
import type { Tool } from '@peen/core/tools'
import adviceRuleData from './advice-rules.json'
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
import certificateBeardedPet from './certificates/bearded-pet.json'
import certificateClipping from './certificates/clipping.json'
import certificateFinishing from './certificates/finishing.json'
import certificateLongCoats from './certificates/long-coats.json'
import certificatePoodles from './certificates/poodles.json'
import certificateRoundHeads from './certificates/round-heads.json'
import certificateScissoring from './certificates/scissoring.json'
import certificateSporting from './certificates/sporting.json'
import certificateStripping from './certificates/stripping.json'
import certificateTerriersStripped from './certificates/terriers-stripped.json'
import coatData from './coats.json'
import colourData from './colours.json'
import drawnFaultData from './drawn-faults.json'
import houseRuleData from './house-rules.json'
import questionData from './questions.json'
import rackData from './rack.json'
import retiredTechniqueData from './retired-techniques.json'
import standardBeardedPet from './standards/bearded-pet.json'
import standardBracelets from './standards/bracelets.json'
import standardCardedSporting from './standards/carded-sporting.json'
import standardCleanFace from './standards/clean-face.json'
import standardCompanion from './standards/companion.json'
import standardFlower from './standards/flower.json'
import standardJacketPet from './standards/jacket-pet.json'
import standardJacketShow from './standards/jacket-show.json'
import standardLayeredHead from './standards/layered-head.json'
import standardLongCoat from './standards/long-coat.json'
import standardMountainEar from './standards/mountain-ear.json'
import standardSmile from './standards/smile.json'
import standardSpanielLegs from './standards/spaniel-legs.json'
import standardSpanielPet from './standards/spaniel-pet.json'
import standardTeddy from './standards/teddy.json'
import standardWinterShow from './standards/winter-show.json'
import techniqueData from './techniques.json'
import trimFitData from './trim-fits.json'

export type { Family, Hazard, Technique, TechniqueFault } from '@peen/core/technique'

/** A question in which practitioners differ; `because` says for each side why one works so. */
export type HouseRule = {
  readonly id: string
  readonly question: string
  readonly sides: readonly string[]
  readonly because: readonly string[]
  readonly chosen: number
  /** steps at which the side that is taken is said, in the words of `atStep` */
  readonly shownAt?: readonly string[]
  readonly atStep?: readonly string[]
  /** it computes nothing: the words at the step are all it does */
  readonly informs?: boolean
}

export const rack = rackData as readonly Tool[]
export const techniques = techniqueData as unknown as readonly Technique[]
/** What is asked and not done. */
export const questions = questionData as readonly OralQuestion[]
/** What left the catalogue, with what became of it: what was recorded under these ids is still read. */
export const retiredTechniques = retiredTechniqueData as unknown as readonly RetiredTechnique[]
export const houseRules = houseRuleData as readonly HouseRule[]
export const adviceRules = adviceRuleData as unknown as readonly AdviceRule[]
/** What a trim leaves is what its work leaves: derived here, never written a second time. */
const withLengths = (written: Standard): Standard => ({
  ...written,
  plan: { ...written.plan, lengthsMm: lengthsOfWork(written.plan.work ?? [], { house: {} }) }
})
export const standards: readonly Standard[] = (
  [
    standardBeardedPet,
    standardJacketShow,
    standardJacketPet,
    standardCleanFace,
    standardBracelets,
    standardCompanion,
    standardSmile,
    standardLayeredHead,
    standardTeddy,
    standardFlower,
    standardSpanielPet,
    standardSpanielLegs,
    standardCardedSporting,
    standardMountainEar,
    standardWinterShow,
    standardLongCoat
  ] as unknown as readonly Standard[]
).map(withLengths)
/** Techniques by which any trim pulls a coat. */
export const pullTechniques: ReadonlySet<string> = new Set(
  standards.flatMap(({ plan }) =>
    (plan.work ?? []).flatMap(({ passes }) => passes.flatMap(({ kind, technique }) => (kind === 'pull' ? [technique] : [])))
  )
)
export const trimFits = trimFitData as unknown as readonly TrimFit[]
/** One pattern first, then the four families, then groups of trims. */
export const certificates = [
  certificateBeardedPet,
  certificateClipping,
  certificateScissoring,
  certificateStripping,
  certificateFinishing,
  certificateTerriersStripped,
  certificatePoodles,
  certificateRoundHeads,
  certificateSporting,
  certificateLongCoats
] as unknown as readonly Certificate[]

/** A technique by its id; one that left the catalogue too, since old records name it. */
export function techniqueById(id: string): Technique | undefined {
  return techniques.find((technique) => technique.id === id) ?? retiredTechniques.find((technique) => technique.id === id)
}

/** What the house says at a step, each with the reason for its side. */
export type HouseWords = { readonly rule: string; readonly question: string; readonly say: string; readonly because: string }
export function houseWordsAt(technique: string, house: Readonly<Record<string, number>>): readonly HouseWords[] {
  return houseRules.flatMap(({ id, question, shownAt, atStep, because, chosen }): HouseWords[] => {
    const side = house[id] ?? chosen
    const say = shownAt?.includes(technique) ? atStep?.[side] : undefined
    return say === undefined ? [] : [{ rule: id, question, say, because: because[side] }]
  })
}

const CUTTING: ReadonlySet<Family> = new Set(['clipping', 'scissoring', 'stripping'])

/** The plain name of a technique, which promises no tool. */
export const techniqueName = (id: string): string => techniqueById(id)?.name ?? id

/** Does a technique wait until the dog has been checked in as dry and combed to the skin? */
export const techniqueWaits = (id: string): boolean => {
  const technique = techniqueById(id)
  return technique !== undefined && waitsForGate(technique)
}

/** The places that a technique cuts; none for handling and finishing, which go over places that others have set. */
export function cutRegionsOf(id: string): readonly RegionId[] {
  const technique = techniqueById(id)
  return technique && CUTTING.has(technique.family) ? technique.regions : []
}

/** Steps of a trim that take hair, with the places they go over: what a session is closed by. */
export function closingSteps({ steps, work }: Pick<Plan, 'steps' | 'work'>): readonly ClosingStep[] {
  return steps.flatMap(({ technique, label, minutes }) => {
    const regions = work ? placesTaken(work, technique) : cutRegionsOf(technique)
    return regions.length === 0 ? [] : [{ technique, label, minutes, regions }]
  })
}

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

/** A coat to draw: what a trim leaves, region by region, and the shapes scissors gave it. */
export type DrawnCoat = Coat & { readonly id: string; readonly body: string; readonly title: string; readonly colour: string }

type CoatData = Omit<DrawnCoat, 'lengths'> & { readonly lengths?: Coat['lengths']; readonly standard?: string }

// a coat that belongs to a standard takes its lengths from there, so that they are written once
export const coats: readonly DrawnCoat[] = (coatData as unknown as readonly CoatData[]).map(({ standard, ...coat }) => ({
  ...coat,
  lengths: coat.lengths ?? standards.find(({ id }) => id === standard)!.plan.lengthsMm
}))

/** What a standard may refer to, with a school's own tools and techniques; by default what Peen ships. */
export function knownWith(
  tools: readonly Pick<Tool, 'id' | 'kind'>[] = rack,
  of: readonly { readonly id: string }[] = techniques
): Required<Known> {
  return {
    techniques: new Set(of.map(({ id }) => id)),
    tools: new Set(tools.map(({ id }) => id)),
    toolKinds: new Map(tools.map(({ id, kind }) => [id, kind])),
    bodies: new Set(bodies.map(({ id }) => id)),
    coats: new Map(coats.map(({ id, body }) => [id, body])),
    houses: new Map(houseRules.map(({ id, sides }) => [id, sides.length]))
  }
}

/** The coat of a trim; where none is known by that name, the first one for the body. */
export function coatFor(body: string, trim?: string): DrawnCoat {
  return coats.find((coat) => coat.id === trim) ?? coats.find((coat) => coat.body === body) ?? coats[0]
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

/** A fault as it can be shown on a figure: its words, the number that makes it larger, and where to look. */
export type DrawnFault = {
  readonly kind: FaultKind
  readonly name: string
  readonly says: string
  readonly field: string | null
  readonly low: number
  readonly high: number
  readonly step: number
  readonly usual: number
  readonly unit: string
  readonly at: DrawnRegion
  readonly from: ViewId
  readonly fixed: Readonly<Record<string, unknown>>
  /** a shape without which the fault cannot be seen */
  readonly needs?: ShapeKind
}

export const drawnFaults = drawnFaultData as unknown as readonly DrawnFault[]

/** The fault with its number. */
export function faultOf({ kind, field, fixed }: DrawnFault, value: number): Fault {
  return { kind, ...fixed, ...(field ? { [field]: value } : {}) } as unknown as Fault
}

/** Faults that hurt skin: nicks, cuts and burns, by id. Counted for each tool. */
export const SKIN_FAULTS: ReadonlySet<string> = new Set(
  techniques.flatMap(({ faults }) => faults.filter(({ name }) => /\b(nick|nicked|burn|burned|scraped)\b/i.test(name)).map(({ id }) => id))
)
