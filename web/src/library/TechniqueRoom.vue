<script setup lang="ts">
import { FAMILIES, FAMILY_NAMES } from '@peen/core/technique'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import TopLine from '../components/TopLine.vue'
import { useKeys } from '../composables/useKeys'
import { searcher } from './search'
import TechniqueSheet from './TechniqueSheet.vue'
import { allTechniques, techniqueById } from '../stores/techniques'
import { t } from '../words'

// The catalogue: what one types finds names, faults, steps, cautions and places at once; beside it the technique itself.
const props = defineProps<{ id?: string }>()
const route = useRoute()
const router = useRouter()
const typed = ref(String(route.query.find ?? ''))
const box = ref<HTMLInputElement | null>(null)
const find = computed(() => searcher(allTechniques()))
const found = computed(() => find.value(typed.value))
const groups = computed(() =>
  typed.value.trim() !== ''
    ? [{ name: found.value.length === 1 ? t('library.n1Found') : t('library.nFound', { n: found.value.length }), techniques: found.value }]
    : FAMILIES.map((family) => ({ name: FAMILY_NAMES[family], techniques: found.value.filter((one) => one.family === family) }))
)
const shown = computed(() => (props.id ? (techniqueById(props.id) ?? null) : null))
watch(typed, (text) => void router.replace({ query: text.trim() === '' ? {} : { find: text } }))
watch(
  () => props.id,
  () => nextTick(() => document.querySelector('[data-sheet]')?.scrollTo(0, 0))
)
useKeys([{ key: 'l', label: t('library.findList'), run: () => box.value?.focus() }])
</script>

<template>
  <TopLine :what="t('library.techniques')" />
  <div class="min-h-0 flex-1 lg:grid lg:grid-cols-[380px_1fr] lg:overflow-hidden" :class="shown ? '' : 'overflow-y-auto'">
    <nav
      class="border-line bg-sheet px-5 pt-4 pb-6 lg:overflow-y-auto lg:border-r"
      :class="shown ? 'max-lg:hidden' : ''"
      :aria-label="t('library.techniques')"
    >
      <label class="label" for="find">{{ t('library.findTechniqueFaultOrPlace') }}</label>
      <input
        id="find"
        ref="box"
        v-model="typed"
        class="field"
        type="search"
        autocomplete="off"
        :placeholder="t('library.tailBandHoleEarEdge')"
      />
      <p v-if="found.length === 0" class="muted mt-4" role="status">
        {{ t('library.nothingFoundTypedTryPlace', { typed }) }}
      </p>
      <section v-for="group in groups" :key="group.name" class="mt-4">
        <h2 v-if="group.techniques.length > 0" class="flex justify-between">
          {{ group.name }}<span v-if="typed === ''" class="muted font-normal">{{ group.techniques.length }}</span>
        </h2>
        <hr v-if="group.techniques.length > 0" class="rule2 mt-1" />
        <ul class="row-rule m-0 list-none p-0">
          <li v-for="technique in group.techniques" :key="technique.id">
            <RouterLink
              :to="{ path: `/techniques/${technique.id}`, query: route.query }"
              class="flex min-h-11 items-center gap-3 py-1 leading-[1.2] no-underline hover:bg-well"
              :class="technique.id === id ? 'font-[650]' : ''"
              :aria-current="technique.id === id ? 'page' : undefined"
            >
              <span class="flex-1">{{ technique.name }}</span>
              <span class="muted narrow whitespace-nowrap">{{ t('library.levelLevel', { level: technique.level }) }}</span>
            </RouterLink>
          </li>
        </ul>
      </section>
    </nav>
    <main v-if="shown" class="min-h-0 min-w-0 overflow-y-auto p-3 max-lg:h-full sm:p-5" data-sheet tabindex="-1">
      <RouterLink :to="{ path: '/techniques', query: route.query }" class="btn btn-quiet mb-3 lg:hidden">{{
        t('library.allTechniques')
      }}</RouterLink>
      <TechniqueSheet :key="shown.id" :technique="shown" />
    </main>
    <main v-else class="hidden items-center justify-center p-10 lg:flex">
      <p class="muted max-w-[44ch] leading-[1.4]">
        {{ t('library.nTechniquesFiveFamiliesHow', { n: allTechniques().length }) }}
      </p>
    </main>
  </div>
</template>
