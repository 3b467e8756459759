<script setup lang="ts">
import { sayPass, sayTool, type SheetLine } from '@peen/core/setup'
import { computed } from 'vue'
import { t } from '../words'

// What is done at a place, pass by pass, each with where it goes; or that nothing is.
const props = defineProps<{ line: SheetLine }>()
const inPasses = computed(
  () => !props.line.stopped && props.line.passes.length > 0 && props.line.passes.every(({ choice }) => choice !== null)
)
</script>

<template>
  <template v-if="inPasses"
    ><span v-for="(pass, i) in line.passes" :key="i" class="block"
      ><span v-if="i > 0" class="muted">{{ `${t('visit.then')} ` }}</span
      ><b>{{ sayPass(pass) }}</b
      ><span v-if="pass.where" class="muted">, {{ pass.where }}</span></span
    ></template
  ><b v-else :class="line.stopped ? 'text-danger' : line.does === 'leave' ? 'font-normal' : ''">{{ sayTool(line) }}</b
  ><span v-if="line.note" class="muted block">{{ line.note }}</span
  ><b v-for="said in line.named" :key="said" class="block">{{ said }}</b>
</template>
