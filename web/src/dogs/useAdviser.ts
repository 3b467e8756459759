import { adviceRules, houseRules } from '@peen/content'
import type { DogPage } from '@peen/contract'
import { shortChoice, type Advice, type Choice, type DogFact, type Fact } from '@peen/core/advice'
import { NOTHING_FOUND } from '@peen/core/checkin'
import { REGIONS, regionName, type RegionId } from '@peen/core/regions'
import { adviceInPlan, burnedMmAt, factsAt, factsToday } from '@peen/core/setup'
import type { Tool } from '@peen/core/tools'
import { computed, ref, type Ref } from 'vue'
import type { PlateNote } from '../figure/plate-note'
import { t } from '../words'

const NOTED: readonly RegionId[] = [
  'skull',
  'beard',
  'cheek',
  'neckSide',
  'back',
  'ribs',
  'skirt',
  'foreleg',
  'thigh',
  'rearPastern',
  'tail',
  'earOutside'
]

/** Advice for every place of one dog, as the school works, and what one tries out instead. */
export function useAdviser(
  page: Ref<DogPage | null>,
  rack: () => readonly Tool[],
  house: () => Readonly<Record<string, number>>,
  facts: Ref<readonly DogFact[]>,
  side: Ref<'left' | 'right'>,
  combed: Ref<boolean>
) {
  const selected = ref<RegionId>('back')
  const tried = ref<Partial<Record<RegionId, Choice>>>({})

  function factsHere(region: RegionId): ReadonlySet<Fact> {
    const { nose = null, skin = null } = page.value?.dog ?? {}
    const gate = { dry: true, combed: combed.value, by: '', at: '', house: {} }
    const today = factsToday({ facts: facts.value, nose, skin }, { ...NOTHING_FOUND, gate }, page.value?.known ?? false)
    return factsAt(region, side.value, { facts: today, burns: burns.value })
  }
  const burns = computed(() => page.value?.dog.burns ?? [])
  const adviceFor = (region: RegionId): Advice =>
    adviceInPlan(
      adviceRules,
      page.value?.plan.work,
      {
        ...{ region, coat: page.value?.dog.coatType ?? 'mixed', house: house(), rack: rack() },
        ...{ burnedMm: burnedMmAt(region, side.value, burns.value), facts: factsHere(region) }
      },
      page.value?.plan.lengthsMm[region] ?? null
    )
  const advices = computed(() => new Map(REGIONS.map(({ id }) => [id, adviceFor(id)])))
  const chosenAt = (region: RegionId): Choice | null => tried.value[region] ?? advices.value.get(region)?.ranked[0] ?? null

  /** what the dog would wear with these tools: scissors and hands leave the plan's length */
  const lengths = computed(() => {
    const plan = page.value?.plan.lengthsMm ?? {}
    const worn: Partial<Record<RegionId, number>> = { ...plan }
    for (const { id } of REGIONS) {
      const mm = chosenAt(id)?.lengthMm
      if (plan[id] !== undefined && mm !== null && mm !== undefined) worn[id] = mm
    }
    return worn
  })
  const notes = computed<PlateNote[]>(() =>
    NOTED.map((region, i) => {
      const choice = chosenAt(region)
      const off = (lengths.value[region] ?? 0) - (page.value?.plan.lengthsMm[region] ?? 0)
      return {
        id: region,
        region,
        numeral: String(i + 1),
        heading: regionName(region),
        lines: [
          { text: shortly(choice), bold: true },
          ...(choice?.lengthMm ? [{ text: t('dogs.leavesLengthMmMm', { lengthMm: choice.lengthMm }) }] : [])
        ],
        tone: off > 0.05 ? 'long' : off < -0.05 ? 'short' : undefined,
        danger: factsHere(region).has('burnedHere') ? t('dogs.burnedBefore2') : undefined
      }
    })
  )
  const houseChoices = computed(() =>
    houseRules
      .filter(({ id }) => adviceRules.some(({ when }) => when.house?.id === id))
      .map(({ id, question, sides }) => ({ id, question, chosen: sides[house()[id] ?? 0] }))
  )
  return { selected, tried, advices, chosenAt, lengths, notes, houseChoices }
}

/** "7F with": as short as a note in the margin is. */
export function shortly(choice: Choice | null): string {
  return choice ? shortChoice(choice) : t('dogs.askInstructor')
}
