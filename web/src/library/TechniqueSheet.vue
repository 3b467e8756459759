<script setup lang="ts">
import type { TechniqueVersion } from '@peen/contract'
import { comesBefore, FAMILY_NAMES } from '@peen/core/technique'
import type { Point } from '@peen/core/figure'
import { regionName, type RegionId } from '@peen/core/regions'
import { computed, ref } from 'vue'
import { useAsked } from '../composables/useAsked'
import SheetDialog from '../components/SheetDialog.vue'
import DogPlate from '../figure/DogPlate.vue'
import { dogOfTrim } from '../figure/place'
import type { PlateNote } from '../figure/plate-note'
import { useSessionStore } from '../stores/session'
import { allTechniques, techniqueById } from '../stores/techniques'
import ChangeList from './ChangeList.vue'
import TechniqueForm from './TechniqueForm.vue'
import TechniqueGuide from './TechniqueGuide.vue'
import VersionList from './VersionList.vue'
import { t } from '../words'

// One technique: where on the dog, how, what to look at, what goes wrong, where it hurts.
const props = defineProps<{ technique: TechniqueVersion }>()
const session = useSessionStore()
const { data: page, reload } = useAsked('technique', () => ({ technique: props.technique.id }), { fresh: true })
const editing = ref(false)
const comparing = ref<number | null>(null)

const trims = computed(() =>
  (session.school?.standards ?? []).filter(
    ({ plan, retired }, i, all) =>
      !retired && plan.steps.some((step) => step.technique === props.technique.id) && all.findIndex((one) => one.id === all[i].id) === i
  )
)
/** the dog it is drawn on: of a trim that plans it, else of the one that is known best */
const drawn = computed(() => {
  const [trim] = trims.value
  return trim ? dogOfTrim(trim.bodyType, trim.plan.drawnAs) : dogOfTrim('bearded', 'bearded-pet')
})
const notes = computed<PlateNote[]>(() =>
  props.technique.regions.map((region, i) => ({
    id: region,
    region,
    numeral: String(i + 1),
    heading: regionName(region),
    lines: []
  }))
)
/** Each place once, where it is drawn from this side; what lies together keeps the first numeral. */
function marksOf(centreOf: (region: RegionId) => Point | null): readonly { readonly numeral: string; readonly at: Point }[] {
  const marks: { numeral: string; at: Point }[] = []
  for (const { region, numeral = '' } of notes.value) {
    const at = centreOf(region)
    if (at && marks.every((mark) => Math.hypot(mark.at[0] - at[0], mark.at[1] - at[1]) > 28)) marks.push({ numeral, at })
  }
  return marks
}
const tools = computed(() =>
  props.technique.tools.map((id) => {
    const tool = session.school?.tools.find((one) => one.id === id)
    return tool ? (tool.kind === 'blade' || tool.kind === 'comb' ? `${tool.kind} ${tool.label}` : tool.label) : id
  })
)
const before = computed(() => props.technique.after.flatMap((id) => techniqueById(id) ?? []))
const leadsTo = computed(() => allTechniques().filter(({ id }) => comesBefore(allTechniques(), id).has(props.technique.id)))
const labels = computed(
  () => new Map([...props.technique.faults, ...props.technique.hazards].map(({ id, name }): [string, string] => [id, name]))
)
const versions = computed(() => page.value?.versions ?? [])
const compared = computed(() => versions.value.find(({ version }) => version === comparing.value) ?? null)
async function kept(): Promise<void> {
  editing.value = false
  await Promise.all([session.refreshSchool(), reload()])
}
</script>

<template>
  <article>
    <div class="flex flex-wrap items-end justify-between gap-3">
      <h2 class="title text-[24px]">{{ technique.name }}</h2>
      <button v-if="session.isStaff" class="btn btn-quiet" @click="editing = true">{{ t('library.makeOurOwnVersion') }}</button>
    </div>
    <p class="muted mt-1">
      {{
        t('library.familyLevelLevelAboutUsualMinutes', {
          family: FAMILY_NAMES[technique.family],
          level: technique.level,
          usualMinutes: technique.usualMinutes
        })
      }}<template v-if="tools.length > 0">{{ t('library.tools', { tools: tools.join(', ') }) }}</template
      >.<template v-if="before.length > 0">
        {{ t('library.after') }}
        <template v-for="(one, i) in before" :key="one.id"
          ><template v-if="i > 0">, </template><RouterLink :to="`/techniques/${one.id}`">{{ one.name.toLowerCase() }}</RouterLink></template
        >.</template
      >
    </p>
    <hr class="rule2 mt-2" />
    <div class="mt-4 grid items-start gap-x-8 gap-y-4 xl:grid-cols-[1fr_400px]">
      <div>
        <TechniqueGuide :technique="technique" />
      </div>
      <div>
        <DogPlate
          v-if="notes.length > 0"
          :dog="drawn.dog"
          :plan="drawn.coat.lengths"
          :lengths="drawn.coat.lengths"
          :notes="notes"
          :caption="t('library.whereDogX', { x: drawn.coat.title.split(':')[0].toLowerCase() })"
          :label="`${technique.name}: ${technique.regions.map(regionName).join(', ')}`"
          :height="340"
        >
          <template #over="{ centreOf }">
            <g v-for="{ numeral, at } in marksOf(centreOf)" :key="numeral">
              <circle :cx="at[0]" :cy="at[1]" r="13" fill="var(--plate)" stroke="var(--ink)" stroke-width="1.5" />
              <text :x="at[0]" :y="at[1] + 6" text-anchor="middle" font-size="18" class="numeral" fill="var(--ink)">{{ numeral }}</text>
            </g>
          </template>
        </DogPlate>
        <template v-if="trims.length > 0">
          <h2 class="mt-5">{{ t('library.theseTrims') }}</h2>
          <ul class="row-rule m-0 mt-1 list-none border-y border-line p-0">
            <li v-for="trim in trims" :key="trim.id">
              <RouterLink
                :to="`/standards/${trim.id}`"
                class="flex min-h-11 items-center py-1 leading-[1.2] no-underline hover:underline"
                >{{ trim.name }}</RouterLink
              >
            </li>
          </ul>
        </template>
        <p v-if="leadsTo.length > 0" class="muted mt-4 leading-[1.4]">
          {{ t('library.leadsLeadsTo', { leadsTo: leadsTo.map(({ name }) => name.toLowerCase()).join(', ') }) }}
        </p>
        <VersionList :versions="versions" :shown="technique.version" @compare="(version) => (comparing = version)" />
        <p class="muted mt-4 leading-[1.35]">{{ t('library.commonPracticeLocalAnimalWelfare') }}</p>
      </div>
    </div>
    <SheetDialog :open="editing" :title="t('library.nameOurVersion', { name: technique.name })" @close="editing = false">
      <TechniqueForm v-if="editing" :technique="technique" @kept="kept" />
    </SheetDialog>
    <SheetDialog
      :open="compared !== null"
      :title="t('library.nameVersionComparingVersion', { name: technique.name, comparing, version: technique.version })"
      @close="comparing = null"
    >
      <ChangeList
        v-if="compared"
        :before="compared.body"
        :after="versions[0].body"
        :labels="labels"
        :from="t('library.versionVersion2', { version: compared.version })"
        :to="`version ${versions[0].version}`"
      />
    </SheetDialog>
  </article>
</template>
