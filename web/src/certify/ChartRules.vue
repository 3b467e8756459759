<script setup lang="ts">
import { chartProblem, type CertificateRow } from '@peen/contract'
import { designLearningChart, designMonitoringChart, jointRisk, signalWithin, type StandingRules } from '@peen/core/competency'
import { computed, ref, watch } from 'vue'
import { ask, sentenceOf } from '../api/client'
import NumberBox from '../library/NumberBox.vue'
import { useSessionStore } from '../stores/session'

// The school's own risks: what they make of every chart is said before they are kept.
const props = defineProps<{ rules: StandingRules; certificates: readonly CertificateRow[] }>()
const emit = defineEmits<{ kept: [] }>()
const session = useSessionStore()
const own = ref<StandingRules>({ ...props.rules })
watch(
  () => props.rules,
  (rules) => (own.value = { ...rules })
)
const wrong = ref<string | null>(null)
const isChanged = computed(() => JSON.stringify(own.value) !== JSON.stringify(props.rules))
const problem = computed(() => chartProblem(own.value)?.say ?? null)
const percent = (share: number) => `${Math.round(1000 * share) / 10} %`
const chart = computed(() => (problem.value ? null : designLearningChart(own.value)))
const watching = computed(() => (problem.value ? null : designMonitoringChart(own.value)))
/** the most techniques that one certificate asks for */
const most = computed(() => {
  const counts = props.certificates.map(({ certificate }) => ({
    name: certificate.name,
    n: certificate.rules.reduce((sum, rule) => sum + (rule.kind === 'techniques' ? rule.techniques.length : 0), 0)
  }))
  return counts.reduce((a, b) => (b.n > a.n ? b : a), { name: '', n: 0 })
})
/** who keeps trying has more chances to be lucky: by so many attempts */
const LONGER = [60, 100, 200]
const byLuck = computed(() =>
  LONGER.map((n) => ({ n, risk: chart.value ? signalWithin(n, own.value.unacceptable, chart.value.k, chart.value.limit) : 0 }))
)
const put = (part: Partial<StandingRules>) => (own.value = { ...own.value, ...part })
async function keep(): Promise<void> {
  try {
    await ask('keepStandingRules', { body: own.value })
    wrong.value = null
    emit('kept')
  } catch (caught) {
    wrong.value = sentenceOf(caught)
  }
}
</script>

<template>
  <section data-chart-rules>
    <h2 class="title">How sure the charts are</h2>
    <hr class="rule2 mt-2" />
    <p v-if="chart && watching" class="mt-2 leading-[1.4]" role="status">
      One clean attempt counts 1, one that is not costs {{ chart.k }}; the signal stands at <b>{{ chart.limit }}</b>. Of 100 who still miss
      {{ percent(own.unacceptable) }}, <b>{{ percent(chart.falseCompetentRisk) }}</b> would get there by luck within
      {{ own.expectedAttempts }} attempts; of 100 who miss {{ percent(own.acceptable) }}, {{ percent(chart.power) }} do. After the signal
      the alarm stands at {{ watching.limit }}, false in {{ percent(watching.falseAlarmRisk) }}.
      <template v-if="most.n > 1"
        >Over the {{ most.n }} techniques of “{{ most.name }}” together the risk that one is luck is
        <b>{{ percent(jointRisk(Array.from({ length: most.n }, () => chart!.falseCompetentRisk))) }}</b>.</template
      >
    </p>
    <p v-else class="mt-2" role="alert">{{ problem }}</p>
    <p v-if="chart" class="mt-1 leading-[1.4]" data-testid="by-luck">
      An apprentice who keeps trying has more chances of luck: found competent by luck are
      <template v-for="({ n, risk }, i) in byLuck" :key="n"
        >{{ i === 0 ? '' : i === byLuck.length - 1 ? ' and ' : ', ' }}<b>{{ percent(risk) }}</b> within {{ n }} attempts</template
      >. Look at the trims, not only at the chart, where an apprentice needed that many.
    </p>
    <div v-if="session.isLead" class="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-3">
      <NumberBox
        label="Not clean, if competent (0 to 1)"
        :value="own.acceptable"
        :low="0.001"
        :high="0.9"
        @put="(v) => v !== null && put({ acceptable: v })"
      />
      <NumberBox
        label="Not clean, if not (0 to 1)"
        :value="own.unacceptable"
        :low="0.001"
        :high="0.9"
        @put="(v) => v !== null && put({ unacceptable: v })"
      />
      <NumberBox
        label="Attempts expected"
        :value="own.expectedAttempts"
        :low="5"
        :high="200"
        @put="(v) => v !== null && put({ expectedAttempts: Math.round(v) })"
      />
      <NumberBox label="Risk allowed (0 to 1)" :value="own.risk" :low="0.001" :high="0.9" @put="(v) => v !== null && put({ risk: v })" />
      <NumberBox
        label="Days until it lapses"
        :value="own.lapseDays"
        :low="7"
        :high="730"
        @put="(v) => v !== null && put({ lapseDays: Math.round(v) })"
      />
    </div>
    <p v-if="wrong" class="mt-2" role="alert">{{ wrong }}</p>
    <div v-if="session.isLead && isChanged" class="mt-3 flex gap-3">
      <button class="btn btn-go" :disabled="!!problem" @click="keep">Make every chart by these</button>
      <button class="btn btn-quiet" @click="own = { ...rules }">Back to what is kept</button>
    </div>
  </section>
</template>
