<script setup lang="ts">
import { OTHER_FAULT, SIDES, type HelpLevel, type Payloads, type Side, type StressLevel } from '@peen/core/practice'
import { computed, ref } from 'vue'
import ToggleButtons from '../components/ToggleButtons.vue'
import { GIVEN_HELP_CHOICES, STRESS_CHOICES } from '../composables/choices'
import { techniqueById } from '../stores/techniques'
import type { Asking } from './useAsking'
import { t } from '../words'

// What a tap leaves open, asked afterwards: which fault and side, how it was helped, what was good, why the work stops.
const props = defineProps<{ asking: Asking; dog: string }>()
const emit = defineEmits<{ say: [more: Omit<Payloads['annotated'], 'eventId'>]; later: []; hold: []; mistake: [] }>()
const other = ref('')
const sayOther = () =>
  other.value.trim() && emit('say', { faultId: OTHER_FAULT, text: other.value.trim(), ...(side.value ? { side: side.value } : {}) })

const technique = computed(() => techniqueById(props.asking.attempt?.techniqueId ?? ''))
const TITLES = {
  fault: 'A fault is noted. Which?',
  helped: t('table.helpNotedWhatKind'),
  praise: t('table.praiseNotedWhat'),
  stress: t('table.notedRestlessWorseThan'),
  stop: t('table.stoppedWhy')
}
const title = computed(() => (props.asking.what === 'stress' ? `${props.dog} ${TITLES.stress}` : TITLES[props.asking.what]))
const side = ref<Side | null>(null)
const text = ref('')
const WORDS = {
  praise: [
    t('table.keptLegLow'),
    t('table.lookedFromOtherSideBefore'),
    t('table.stoppedFirstFussing'),
    t('table.scissorsDownWhileTurningDog')
  ],
  stop: [t('table.dogHasHadEnough2'), t('table.skinRedOrSore'), t('table.dogDistress'), 'Bleeding.']
}
const words = computed(() => (props.asking.what === 'praise' || props.asking.what === 'stop' ? WORDS[props.asking.what] : []))
const sayFault = (faultId: string) => emit('say', { faultId, ...(side.value ? { side: side.value } : {}) })
const sayHelp = (help: HelpLevel) => emit('say', { help })
const sayStress = (level: StressLevel) => emit('say', { level })
const sayWords = () => text.value.trim() && emit('say', { text: text.value.trim() })
</script>

<template>
  <section class="border-b-2 border-ink bg-plate px-4 py-3" :aria-label="title" data-testid="say-more" @focusin="$emit('hold')">
    <div class="flex items-start justify-between gap-2">
      <p class="text-[18px] leading-[1.2] font-[650]" role="status">{{ title }}</p>
      <button class="btn btn-quiet -mt-1 min-h-11 flex-none px-3 text-[16px]" @click="$emit('later')">{{ t('table.later') }}</button>
    </div>
    <template v-if="asking.what === 'fault'">
      <ToggleButtons
        class="mt-1"
        role="group"
        :aria-label="t('table.sideDogsOwn')"
        :options="SIDES.map((id) => ({ id, name: id }))"
        :is-on="(id) => side === id"
        @toggle="(id) => (side = id)"
      />
      <button
        v-for="fault in technique?.faults ?? []"
        :key="fault.id"
        class="btn btn-quiet mt-1.5 min-h-11 w-full justify-start px-3 text-left text-[16px]"
        @click="sayFault(fault.id)"
      >
        {{ fault.name }}<span v-if="fault.major" class="font-normal">{{ t('table.major') }}</span>
      </button>
      <form class="mt-1.5 flex gap-1.5" @submit.prevent="sayOther">
        <input
          v-model="other"
          class="field h-12 min-w-0 flex-1"
          maxlength="200"
          :aria-label="t('table.anotherFaultWords')"
          :placeholder="t('table.anotherFault')"
        />
        <button class="btn flex-none px-4">{{ t('table.save') }}</button>
      </form>
    </template>
    <template v-else-if="asking.what === 'helped'">
      <button
        v-for="one in GIVEN_HELP_CHOICES"
        :key="one.value"
        class="btn btn-quiet mt-1.5 min-h-11 w-full justify-start px-3 text-[16px]"
        @click="sayHelp(one.value)"
      >
        {{ one.name }}
      </button>
    </template>
    <template v-else-if="asking.what === 'stress'">
      <button
        v-for="one in STRESS_CHOICES"
        :key="one.value"
        class="btn btn-quiet mt-1.5 min-h-11 w-full justify-start px-3 text-left text-[16px]"
        @click="sayStress(one.value)"
      >
        {{ one.name }}
      </button>
      <p class="mt-1.5 leading-[1.3] text-danger">{{ t('table.slowDownTakeLessOr') }}</p>
    </template>
    <form v-else @submit.prevent="sayWords">
      <p v-if="asking.what === 'stop'" class="mt-1 leading-[1.3] text-danger">
        {{ t('table.seeDogFirstBleedingSore2') }}
      </p>
      <button
        v-for="one in words"
        :key="one"
        type="button"
        class="btn btn-quiet mt-1.5 min-h-11 w-full justify-start px-3 text-left text-[16px]"
        @click="$emit('say', { text: one })"
      >
        {{ one }}
      </button>
      <div class="mt-1.5 flex gap-1.5">
        <input
          v-model="text"
          class="field h-12 min-w-0 flex-1"
          maxlength="500"
          :aria-label="t('table.yourOwnWords')"
          :placeholder="t('table.ownWords')"
        />
        <button class="btn flex-none px-4">{{ t('table.save') }}</button>
      </div>
    </form>
    <button v-if="asking.what !== 'stop'" class="mt-2 min-h-11 underline underline-offset-4" @click="$emit('mistake')">
      {{ t('table.tappedMistakeUndo') }}
    </button>
  </section>
</template>
