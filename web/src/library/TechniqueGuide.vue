<script setup lang="ts">
import type { Technique } from '@peen/core/technique'
import { upperFirst } from '@peen/core/units'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// How a technique is done, with the caution at the step: in the catalogue and at the table alike.
defineProps<{ technique: Technique }>()
</script>

<template>
  <div>
    <ol class="m-0 list-none p-0">
      <li v-for="(step, i) in technique.steps" :key="step" class="flex gap-4 border-b border-line py-2.5 text-[18px] leading-[1.35]">
        <span class="numeral w-6 flex-none text-[24px] leading-[1.1]">{{ i + 1 }}</span>
        <span>{{ step }}</span>
      </li>
    </ol>
    <ul v-if="technique.hazards.length > 0" class="m-0 mt-4 list-none p-0">
      <li v-for="hazard in technique.hazards" :key="hazard.id" class="mt-2 flex gap-3 border-l-4 border-danger bg-danger-tint px-3 py-2">
        <GlyphMark name="danger" class="mt-0.5 flex-none text-danger" />
        <span class="leading-[1.35]"
          ><b
            >{{ upperFirst(hazard.name) }}<template v-if="hazard.hold">{{ t('library.holdPoint') }}</template
            >.</b
          >
          {{ hazard.caution }}<template v-if="hazard.hold">{{ ` ${t('library.instructorStaysUntilApprenticeSafe')}` }}</template></span
        >
      </li>
    </ul>
    <dl class="row-rule m-0 mt-4">
      <div class="py-2.5">
        <dt class="label mb-0">{{ t('library.look') }}</dt>
        <dd class="m-0">{{ upperFirst(technique.lookAt) }}</dd>
      </div>
      <div class="py-2.5">
        <dt class="label mb-0">{{ t('library.cleanWhen') }}</dt>
        <dd class="m-0">{{ technique.clean }}</dd>
      </div>
      <div class="py-2.5">
        <dt class="label mb-0">{{ t('library.figureFirst') }}</dt>
        <dd class="m-0">{{ technique.figure }}</dd>
      </div>
    </dl>
    <h2 class="mt-5">{{ t('library.whatGoesWrong') }}</h2>
    <hr class="rule2 mt-1" />
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="fault in technique.faults" :key="fault.id" class="py-2.5 leading-[1.35]">
        <b>{{ fault.name }}</b><span v-if="fault.major" class="text-danger">{{ t('library.major') }}</span>
        <span class="block"
          ><span class="muted">{{ t('library.cause') }}</span> {{ fault.cause }}<span class="muted">{{ t('library.cure2') }}</span>
          {{ fault.cure }}</span
        >
      </li>
    </ul>
  </div>
</template>
