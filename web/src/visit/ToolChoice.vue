<script setup lang="ts">
import { cautionsWith, sayChoice, whyNot, type Advice, type Choice } from '@peen/core/advice'
import { computed, ref, watch } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// What the adviser says at one place: what is used, what to take care of, why, what else is allowed, and why not the rest.
const props = defineProps<{ advice: Advice; chosen: Choice | null; aims: string; locked?: boolean }>()
const emit = defineEmits<{ choose: [choice: Choice] }>()

const asked = ref('')
watch(
  () => props.advice,
  () => (asked.value = '')
)
const keyOf = ({ tool, direction }: Choice) => `${tool.id} ${direction ?? ''}`
const isChosen = (choice: Choice) => props.chosen !== null && keyOf(choice) === keyOf(props.chosen)
const everything = computed(() => [...props.advice.ranked, ...props.advice.bans.map(({ choice }) => choice)])
const cautions = computed(() => cautionsWith(props.advice, props.chosen))
const answer = computed(() => {
  const choice = everything.value.find((candidate) => keyOf(candidate) === asked.value)
  return choice ? { choice, ...whyNot(props.advice, choice.tool.id, choice.direction) } : null
})
/** reasons that are not said as a caution already */
const reasons = computed(() => props.advice.fired.filter(({ id }) => !cautions.value.some((caution) => caution.id === id)))
/** what sets a length, the nearest first, two settings of an adjustable blade, and two that cut free-hand */
const alternatives = computed(() => {
  const { ranked } = props.advice
  const [sets, free] = [ranked.filter(({ lengthMm }) => lengthMm !== null), ranked.filter(({ lengthMm }) => lengthMm === null)]
  const fixed = sets.filter(({ tool }) => !tool.setTo)
  const adjustable = sets.filter(({ tool }) => tool.setTo)
  const shown = [...fixed.slice(0, 6), ...adjustable.slice(0, 2), ...free.slice(0, 2)]
  return ranked.filter((choice) => shown.includes(choice) || isChosen(choice))
})
</script>

<template>
  <p class="mt-1 text-[20px] leading-[1.3] font-[650]" data-testid="advice">{{ chosen ? sayChoice(chosen) : advice.say }}</p>
  <p v-if="aims" class="muted">{{ aims }}</p>
  <hr class="rule2 mt-2.5 mb-2" />
  <ul v-if="cautions.length" class="m-0 list-none p-0" :aria-label="t('visit.takeCare')">
    <li v-for="caution in cautions" :key="caution.id" class="py-1 leading-[1.35] text-danger">
      <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ caution.say }}
    </li>
  </ul>
  <template v-if="reasons.length">
    <h2 class="mt-4">{{ t('visit.why') }}</h2>
    <ul class="row-rule m-0 list-none p-0" :aria-label="t('visit.rulesApplyHere')">
      <li v-for="rule in reasons" :key="rule.id" class="py-2 leading-[1.35]">{{ rule.say }}</li>
    </ul>
  </template>
  <template v-if="everything.length > 0">
    <h2 class="mt-4">{{ t('visit.allowedHere') }}</h2>
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="choice in alternatives" :key="keyOf(choice)">
        <button
          class="flex min-h-11 w-full items-center py-1 text-left hover:underline"
          :class="isChosen(choice) ? 'font-[650]' : ''"
          :aria-pressed="isChosen(choice)"
          :disabled="locked"
          @click="emit('choose', choice)"
        >
          {{ sayChoice(choice) }}
        </button>
      </li>
    </ul>
    <h2 class="mt-4">
      <label for="why-not">{{ t('visit.whyNot') }}</label>
    </h2>
    <select id="why-not" v-model="asked" class="field mt-1 h-11 w-full">
      <option value="">{{ t('visit.chooseTool') }}</option>
      <option v-for="choice in everything" :key="keyOf(choice)" :value="keyOf(choice)">{{ sayChoice(choice) }}</option>
    </select>
    <div v-if="answer" class="mt-2 leading-[1.35]" role="status" data-testid="why-not">
      <p class="font-[650]">{{ answer.allowed ? t('visit.allowed') : t('visit.notHere') }}</p>
      <p v-for="because in answer.because" :key="because">{{ because }}</p>
      <p v-if="answer.nearest && !answer.allowed" class="mt-1">{{ t('visit.nearestChoice', { choice: sayChoice(answer.nearest) }) }}</p>
    </div>
  </template>
</template>
