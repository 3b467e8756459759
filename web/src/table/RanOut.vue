<script setup lang="ts">
import { undoneSteps } from '@peen/core/practice'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import type { Table } from './useTable'

// The dog can stand no longer: it stops, and ends in one of two honest ways. No mark is lost by either.
const props = defineProps<{ id: string; table: Table }>()
const { data, state, tap, session } = props.table
const undone = computed(() => undoneSteps(data.value?.steps ?? [], state.value).map(({ label }) => label.toLowerCase()))
const dog = computed(() => data.value?.dog.name ?? 'The dog')
</script>

<template>
  <section class="mt-2 bg-danger-tint p-2 leading-[1.3]" aria-label="The dog can stand no longer">
    <p class="font-semibold text-danger" role="alert">
      <GlyphMark name="hold" :size="18" class="mr-1.5 align-[-3px]" />
      <template v-if="state.ranOut">
        {{ dog }} can stand no longer and {{ state.ranOut.how === 'home' ? 'goes home as it is' : 'is finished by the instructor' }}.
      </template>
      <template v-else>{{ dog }}’s minutes are used up: stop here.</template>
    </p>
    <p class="mt-1">
      No mark is lost by it.<template v-if="undone.length > 0">
        Left: {{ undone.slice(0, 3).join(', ') }}<template v-if="undone.length > 3"> and {{ undone.length - 3 }} more</template>.</template
      >
    </p>
    <div v-if="!state.ranOut && session.isStaff" class="mt-2 grid grid-cols-2 gap-2">
      <button class="btn min-h-14 bg-sheet px-2 text-[16px] leading-[1.15]" @click="tap('ranOut', { how: 'instructor' }, 'the end')">
        I finish it myself
      </button>
      <button class="btn min-h-14 bg-sheet px-2 text-[16px] leading-[1.15]" @click="tap('ranOut', { how: 'home' }, 'the end')">
        It goes home as it is
      </button>
    </div>
    <p v-else-if="!state.ranOut" class="mt-1 font-semibold">Your instructor decides: finish it, or it goes home as it is.</p>
    <RouterLink v-else-if="session.isStaff" :to="`/table/${id}/end`" class="btn mt-2 w-full bg-sheet">End of this table</RouterLink>
  </section>
</template>
