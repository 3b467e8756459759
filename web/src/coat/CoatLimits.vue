<script setup lang="ts">
import { COAT_RULE_LIMITS, COAT_RULES, type CoatRules } from '@peen/core/coat'
import { ref, watch } from 'vue'
import { ask } from '../api/client'
import { useDoing } from '../composables/useDoing'
import { useAsked } from '../composables/useAsked'
import { t } from '../words'

// What a school calls a light roll, and from where on a stripped coat is said to need mending. A lead assessor sets it.
defineProps<{ mayChange: boolean }>()
type Key = keyof CoatRules
const FIELDS: readonly { readonly key: Key; readonly name: string }[] = [
  { key: 'lightRoll01', name: 'A light roll takes of what stands' },
  { key: 'half01', name: t('coat.halfRollTakesStandingCoat') },
  { key: 'lagDays', name: t('coat.sidesOutStepWhenFurther') },
  { key: 'bare01', name: t('coat.bareWhenMoreThanShows') },
  { key: 'soft01', name: t('coat.tooSoftWhenMoreThan') },
  { key: 'rollingDays', name: t('coat.pastRollingAfterNoPulling') }
]
const isShare = (key: Key) => COAT_RULE_LIMITS[key].unit === ''
const shown = (key: Key, value: number) => String(isShare(key) ? Math.round(value * 1000) / 10 : value)
const unit = (key: Key) => (isShare(key) ? '%' : 'days')

const { data, reload } = useAsked('coatRules', undefined, { fresh: true })
const { problem, doing } = useDoing(reload)
const draft = ref<Record<string, string>>({})
const wrong = ref<string | null>(null)
const kept = ref(false)
const fill = (rules: CoatRules) => (draft.value = Object.fromEntries(FIELDS.map(({ key }) => [key, shown(key, rules[key])])))
watch(data, (rules) => rules && fill(rules))

async function keep(): Promise<void> {
  const rules: { -readonly [K in keyof CoatRules]?: number } = {}
  for (const { key, name } of FIELDS) {
    const { low, high } = COAT_RULE_LIMITS[key]
    const given = Number(draft.value[key])
    const value = isShare(key) ? given / 100 : given
    if (draft.value[key].trim() === '' || !(value >= low && value <= high)) {
      wrong.value = t('coat.nameKeyMustKey2Key3', {
        name,
        key: draft.value[key] || t('coat.nothing'),
        key2: shown(key, low),
        key3: shown(key, high),
        key4: unit(key)
      })
      return
    }
    rules[key] = value
  }
  wrong.value = null
  await doing(() => ask('keepCoatRules', { body: rules as CoatRules }))
  kept.value = problem.value === null
}
</script>

<template>
  <form v-if="data" class="max-w-[760px]" novalidate @submit.prevent="keep">
    <div class="grid gap-x-8 gap-y-1 sm:grid-cols-2">
      <label v-for="{ key, name } in FIELDS" :key="key" class="flex items-center justify-between gap-3 border-b border-line py-1.5">
        <span
          >{{ name
          }}<span class="muted block">{{ t('coat.usuallyKeyKey2', { key: shown(key, COAT_RULES[key]), key2: unit(key) }) }}</span></span
        >
        <span v-if="mayChange" class="flex items-center gap-2"
          ><input v-model="draft[key]" class="field w-[84px]" inputmode="decimal" :aria-label="name" />{{ unit(key) }}</span
        >
        <b v-else class="whitespace-nowrap">{{ shown(key, data[key]) }} {{ unit(key) }}</b>
      </label>
    </div>
    <p v-if="wrong ?? problem" class="mt-2 font-[650]" role="alert">{{ wrong ?? problem }}</p>
    <div v-if="mayChange" class="mt-3 flex flex-wrap gap-3">
      <button class="btn">{{ t('coat.saveTheseLimits') }}</button>
      <button type="button" class="btn btn-quiet" @click="fill(COAT_RULES)">{{ t('coat.restoreUsualLimits') }}</button>
    </div>
    <p v-if="kept" class="mt-2 font-[650]" role="status">{{ t('coat.savedEveryCoatJudgedThese') }}</p>
  </form>
</template>
