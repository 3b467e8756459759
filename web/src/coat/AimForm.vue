<script setup lang="ts">
import { EVERY_DAYS, type CoatAim } from '@peen/contract'
import { BRUSHING } from '@peen/core/coat'
import { ref, watch } from 'vue'
import { BRUSHING_WORDS } from './words'
import { t } from '../words'

// What the coat is kept for: the day that counts, the next visit, how often, how it is brushed at home.
const props = defineProps<{ aim: CoatAim; asks: 'stripped' | 'pet'; disabled: boolean }>()
const emit = defineEmits<{ keep: [aim: CoatAim] }>()
const draft = ref({ ...props.aim, everyDays: String(props.aim.everyDays) })
watch(
  () => props.aim,
  (aim) => (draft.value = { ...aim, everyDays: String(aim.everyDays) })
)
const wrong = ref<string | null>(null)
function keep(): void {
  const days = Number(draft.value.everyDays)
  if (!Number.isInteger(days) || days < EVERY_DAYS.low || days > EVERY_DAYS.high) {
    wrong.value = t('coat.daysBetweenVisitsEveryDaysMust', { everyDays: draft.value.everyDays, low: EVERY_DAYS.low, high: EVERY_DAYS.high })
    return
  }
  wrong.value = null
  const { aimOn, aim, nextOn, brushing } = draft.value
  emit('keep', { aim, brushing, everyDays: days, aimOn: aimOn || null, nextOn: nextOn || null })
}
</script>

<template>
  <form class="grid gap-x-4 gap-y-2 sm:grid-cols-2" novalidate @submit.prevent="keep">
    <template v-if="asks === 'stripped'">
      <div>
        <label class="label" for="aim-on">{{ t('coat.dateCounts') }}</label><input
          id="aim-on"
          v-model="draft.aimOn"
          class="field"
          type="date"
          :disabled="disabled"
        />
      </div>
      <div>
        <label class="label" for="aim">{{ t('coat.occasion') }}</label><input
          id="aim"
          v-model="draft.aim"
          class="field"
          maxlength="60"
          :placeholder="t('coat.springShow')"
          :disabled="disabled"
        />
      </div>
    </template>
    <div>
      <label class="label" for="next-on">{{
        t('coat.nextAsks', { asks: asks === 'pet' ? t('coat.visit') : t('coat.session') })
      }}</label><input id="next-on" v-model="draft.nextOn" class="field" type="date" :disabled="disabled" />
    </div>
    <div v-if="asks === 'stripped'">
      <label class="label" for="every">{{ t('coat.daysBetweenVisits') }}</label><input
        id="every"
        v-model="draft.everyDays"
        class="field"
        inputmode="numeric"
        :disabled="disabled"
      />
    </div>
    <div v-else>
      <label class="label" for="brushing">{{ t('coat.brushedHome') }}</label><select
        id="brushing"
        v-model="draft.brushing"
        class="field"
        :disabled="disabled"
      >
        <option v-for="one in BRUSHING" :key="one" :value="one">{{ BRUSHING_WORDS[one] }}</option>
      </select>
    </div>
    <p v-if="wrong" class="font-[650] sm:col-span-2" role="alert">{{ wrong }}</p>
    <button v-if="!disabled" class="btn btn-quiet sm:col-span-2">{{ t('coat.save') }}</button>
  </form>
</template>
