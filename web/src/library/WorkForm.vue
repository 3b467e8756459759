<script setup lang="ts">
import { REGIONS, type RegionId } from '@peen/core/regions'
import { newPass, rowAs, standardWithWork, unsaidWork, DOES, type Pass, type PlacePlan, type Standard } from '@peen/core/standard'
import { computed, ref } from 'vue'
import { useSessionStore } from '../stores/session'
import NumberBox from './NumberBox.vue'
import PassFields from './PassFields.vue'
import { DOES_NAMES, KIND_NAMES } from './pass-words'
import { t } from '../words'

// What is done at each place of a trim: left alone, or passes in their order. The hair that is left follows from them.
const props = defineProps<{ standard: Standard }>()
const emit = defineEmits<{ change: [part: Partial<Standard>] }>()
const session = useSessionStore()
const rack = computed(() => session.school?.tools ?? [])
const work = computed(() => props.standard.plan.work ?? unsaidWork(props.standard.plan.lengthsMm))
const techniques = computed(() => props.standard.plan.steps.map(({ technique }) => technique))
const open = ref<RegionId | null>(null)
const text = (event: Event) => (event.target as HTMLInputElement).value

const rowsAt = (region: RegionId) => work.value.flatMap((row, at) => (row.place === region ? [{ row, at }] : []))
function putWork(next: readonly PlacePlan[]): void {
  const { plan, criteria } = standardWithWork(props.standard, next)
  emit('change', { plan, criteria })
}
const putRow = (at: number, row: PlacePlan) => putWork(work.value.map((one, i) => (i === at ? row : one)))
const putPasses = (at: number, passes: readonly Pass[]) => putRow(at, { ...work.value[at], passes })
const usual = () => techniques.value[0] ?? 'last-look'
function addPass(at: number): void {
  const { does, passes } = work.value[at]
  putPasses(at, [...passes, newPass(does === 'coat' ? 'pull' : 'scissor', passes.at(-1)?.technique ?? usual(), rack.value)])
}
function movePass(at: number, k: number, by: number): void {
  const next = [...work.value[at].passes]
  next.splice(k + by, 0, ...next.splice(k, 1))
  putPasses(at, next)
}
function addPart(region: RegionId): void {
  const last = rowsAt(region).at(-1)?.at ?? work.value.length - 1
  const part: PlacePlan = { place: region, part: t('library.anotherPart'), does: 'leave', passes: [] }
  putWork([...work.value.slice(0, last + 1), part, ...work.value.slice(last + 1)])
}
function putWords(at: number, field: 'part' | 'note', words: string): void {
  const { [field]: _none, ...rest } = work.value[at]
  putRow(at, words.trim() ? { ...rest, [field]: words.trim() } : rest)
}
function putStands(at: number, mm: number | null): void {
  const { standsMm: _none, ...rest } = work.value[at]
  putRow(at, mm === null ? rest : { ...rest, standsMm: mm })
}
const summary = (region: RegionId) =>
  rowsAt(region)
    .map(({ row }) =>
      row.passes.length > 0 ? row.passes.map(({ kind }) => KIND_NAMES[kind]).join(t('library.then')) : DOES_NAMES[row.does]
    )
    .join('; ')
</script>

<template>
  <div class="bg-plate px-4 py-4" data-work-form>
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="region in REGIONS" :key="region.id" :data-place="region.id">
        <button
          class="flex min-h-12 w-full items-center gap-3 py-1 text-left leading-[1.25]"
          :aria-expanded="open === region.id"
          @click="open = open === region.id ? null : region.id"
        >
          <b class="w-36 flex-none font-[650]">{{ region.name }}</b><span :class="summary(region.id) ? 'muted' : 'text-danger'">{{
            summary(region.id) || t('library.notWrittenYet')
          }}</span>
        </button>
        <div v-if="open === region.id" class="pb-4">
          <div v-for="{ row, at } in rowsAt(region.id)" :key="at" class="mt-2 border-l-2 border-line pl-3" :data-row="at">
            <div class="grid gap-2 sm:grid-cols-2">
              <label
                ><span class="label">{{ t('library.whatDone') }}</span
                ><select
                  class="field h-11"
                  :value="row.does"
                  :aria-label="t('library.nameWhatDone', { name: region.name })"
                  @change="putRow(at, rowAs(row, text($event) as 'leave', usual(), rack))"
                >
                  <option v-for="does in DOES" :key="does" :value="does">{{ DOES_NAMES[does] }}</option>
                </select></label
              >
              <label v-if="row.part !== undefined || rowsAt(region.id).length > 1"
                ><span class="label">{{ t('library.whichPart') }}</span
                ><input class="field h-11" :value="row.part ?? ''" maxlength="60" @change="putWords(at, 'part', text($event))"
              /></label>
              <NumberBox
                v-if="row.does === 'coat' || row.does === 'leave'"
                :label="t('library.lengthLeftHereMm')"
                open
                :value="row.standsMm ?? null"
                :low="0.25"
                :high="300"
                @put="(mm) => putStands(at, mm)"
              />
              <label
                ><span class="label">{{ t('library.note') }}</span
                ><input class="field h-11" :value="row.note ?? ''" maxlength="160" @change="putWords(at, 'note', text($event))"
              /></label>
            </div>
            <ol v-if="row.does === 'passes' || row.does === 'coat'" class="m-0 mt-3 list-none p-0">
              <li v-for="(pass, k) in row.passes" :key="k" class="mt-3 border-t border-line pt-2" :data-pass="k">
                <div class="mb-1 flex flex-wrap items-center gap-2">
                  <span class="numeral flex-1 text-[18px]">{{ t('library.passK', { k: k + 1 }) }}</span>
                  <button class="btn btn-quiet min-h-11 px-3" :disabled="k === 0" @click="movePass(at, k, -1)">
                    {{ t('library.moveUp') }}
                  </button>
                  <button class="btn btn-quiet min-h-11 px-3" :disabled="k === row.passes.length - 1" @click="movePass(at, k, 1)">
                    {{ t('library.moveDown') }}
                  </button>
                  <button
                    class="btn btn-quiet min-h-11 px-3"
                    :aria-label="t('library.namePassKRemove', { name: region.name, k: k + 1 })"
                    @click="
                      putPasses(
                        at,
                        row.passes.filter((_, i) => i !== k)
                      )
                    "
                  >
                    {{ t('library.remove') }}
                  </button>
                </div>
                <PassFields
                  :pass="pass"
                  :techniques="techniques"
                  :label="t('library.namePassK', { name: region.name, k: k + 1 })"
                  @put="
                    (next) =>
                      putPasses(
                        at,
                        row.passes.map((one, i) => (i === k ? next : one))
                      )
                  "
                />
              </li>
            </ol>
            <div class="mt-3 flex flex-wrap gap-2">
              <button v-if="row.does === 'passes' || row.does === 'coat'" class="btn btn-quiet min-h-11 px-3" @click="addPass(at)">
                {{ t('library.addPass') }}
              </button>
              <button
                v-if="rowsAt(region.id).length > 1"
                class="btn btn-quiet min-h-11 px-3"
                @click="putWork(work.filter((_, i) => i !== at))"
              >
                {{ t('library.removePart') }}
              </button>
            </div>
          </div>
          <button class="btn btn-quiet mt-3 min-h-11 px-3" @click="addPart(region.id)">{{ t('library.addPartPlace') }}</button>
        </div>
      </li>
    </ul>
  </div>
</template>
