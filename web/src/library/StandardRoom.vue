<script setup lang="ts">
import type { Standard } from '@peen/core/standard'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { v7 } from 'uuid'
import { ask, ApiError, sentenceOf } from '../api/client'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { dogOfTrim } from '../figure/place'
import PlateThumb from '../figure/PlateThumb.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// The library: every trim of the school as a plate, with what makes it.
const session = useSessionStore()
const router = useRouter()
const { data, error, loading, reload } = useAsked('standards')
const drawn = computed(() => (data.value ?? []).map((row) => ({ row, ...dogOfTrim(row.bodyType, row.plan.drawnAs) })))
const planned = computed(() => drawn.value.filter(({ row }) => !row.retired))
const retired = computed(() => drawn.value.filter(({ row }) => row.retired))

const refused = ref<readonly string[]>([])
/** A standard from a file becomes a draft, with what is wrong in it said there. */
async function read(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  if (file.size > 1_000_000) {
    refused.value = [t('library.nameSizeMbMust1', { name: file.name, size: Math.ceil(file.size / 1_000_000) })]
    return
  }
  try {
    const standard = JSON.parse(await file.text()) as Standard
    const { id } = await ask('importDraft', { body: { id: v7(), standard } })
    await router.push(`/standard-drafts/${id}`)
  } catch (caught) {
    if (caught instanceof ApiError && caught.problem.errors)
      refused.value = caught.problem.errors.slice(0, 8).map(({ path, detail }) => `${path}: ${detail}`)
    else refused.value = [caught instanceof SyntaxError ? t('library.nameNotJsonFileNothing', { name: file.name }) : sentenceOf(caught)]
  }
}
</script>

<template>
  <TopLine :what="t('library.trimLibrary')" />
  <ViewState v-if="!data" :loading="loading" :error="error" :empty="false" @retry="reload" />
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0">
    <div class="flex flex-wrap items-end justify-between gap-3">
      <div>
        <h2 class="title">{{ t('library.trimsSchoolTeachesGrades') }}</h2>
        <p class="muted mt-1 max-w-[70ch]">
          {{ t('library.eachDrawnScaleFromNumbers') }}
        </p>
      </div>
      <span class="flex flex-wrap gap-2">
        <RouterLink to="/techniques" class="btn btn-quiet min-h-11">{{ t('library.techniques') }}</RouterLink>
        <RouterLink to="/plates" class="btn btn-quiet min-h-11">{{ t('library.plates') }}</RouterLink>
        <label v-if="session.isStaff" class="btn btn-quiet min-h-11 cursor-pointer focus-within:outline-3 focus-within:outline-ink"
          >{{ t('library.importFromFile') }}<input class="sr-only" type="file" accept=".json,application/json" @change="read"
        /></label>
      </span>
    </div>
    <ul v-if="refused.length > 0" class="mt-3 list-none p-0 font-semibold text-danger" role="alert">
      <li v-for="say in refused" :key="say">{{ say }}</li>
    </ul>
    <hr class="rule2 mt-3" />
    <ul class="m-0 grid list-none gap-x-8 p-0 xl:grid-cols-2">
      <li v-for="{ row, body, dog } in planned" :key="row.id" class="border-b border-line py-4" :data-trim="row.id">
        <article class="grid grid-cols-[auto_1fr] gap-4 max-sm:grid-cols-1">
          <RouterLink :to="`/standards/${row.id}`" class="block self-start bg-plate p-2 no-underline" tabindex="-1" aria-hidden="true">
            <PlateThumb
              :dog="dog"
              :lengths="row.plan.lengthsMm"
              from="side"
              :mirrored="false"
              :width="216"
              :height="172"
              :label="t('library.nameFromSide', { name: row.name })"
            />
          </RouterLink>
          <div class="min-w-0">
            <h2 class="text-[19px]">
              <RouterLink :to="`/standards/${row.id}`" class="flex min-h-11 items-center no-underline hover:underline">{{
                row.name
              }}</RouterLink>
            </h2>
            <p class="muted leading-[1.3]">
              {{
                t('library.labelStandardMinMinCriteriaCriteria', {
                  label: body.label,
                  standardMin: row.standardMin,
                  criteria: row.criteria
                })
              }}<template v-if="!row.shipped">{{ t('library.versionVersion', { version: row.version }) }}</template
              ><template v-if="!row.shipped">{{ t('library.ourOwn') }}</template>
            </p>
            <ul class="m-0 mt-2 list-none p-0 leading-[1.35]">
              <li v-for="{ say } in row.makes" :key="say" class="flex gap-2">
                <span aria-hidden="true" class="text-hair">–</span>{{ say }}
              </li>
            </ul>
            <RouterLink
              v-if="row.draftId && session.isStaff"
              :to="`/standard-drafts/${row.draftId}`"
              class="mt-1 flex min-h-11 items-center"
              >{{ t('library.newVersionDraft') }}</RouterLink
            >
          </div>
        </article>
      </li>
    </ul>
    <section v-if="retired.length > 0" class="mt-6">
      <h2>{{ t('library.noLongerPlanned') }}</h2>
      <ul class="row-rule m-0 mt-1 list-none border-y border-line p-0">
        <li v-for="{ row } in retired" :key="row.id">
          <RouterLink :to="`/standards/${row.id}`" class="flex min-h-11 items-center no-underline hover:underline">{{
            row.name
          }}</RouterLink>
        </li>
      </ul>
    </section>
  </main>
</template>
