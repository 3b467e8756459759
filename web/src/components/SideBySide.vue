<script setup lang="ts">
import type { Choice } from '@peen/core/changes'
import { t } from '../words'

// What two devices wrote, side by side: a touch on each row says which of them holds.
defineProps<{ rows: readonly { readonly id: string; readonly name: string; readonly here: string; readonly there: string }[] }>()
const choices = defineModel<Readonly<Record<string, Choice>>>({ required: true })
const SIDES = [
  { id: 'here', name: t('shell.tablet') },
  { id: 'there', name: t('shell.otherDevice') }
] as const
</script>

<template>
  <div v-if="rows.length > 1" class="mt-3 flex flex-wrap gap-2">
    <button
      v-for="side in SIDES"
      :key="side.id"
      type="button"
      class="btn btn-quiet"
      @click="choices = Object.fromEntries(rows.map(({ id }) => [id, side.id]))"
    >
      {{ t('shell.useAllFromName', { name: side.name.toLowerCase() }) }}
    </button>
  </div>
  <ul class="mt-3">
    <li v-for="row in rows" :key="row.id" class="border-b border-line py-2" :data-differs="row.id">
      <fieldset>
        <legend class="font-[650]">{{ row.name }}</legend>
        <div class="mt-1 grid gap-2 sm:grid-cols-2">
          <button
            v-for="side in SIDES"
            :key="side.id"
            type="button"
            class="btn min-h-11 flex-col items-start text-left"
            :class="choices[row.id] === side.id ? 'btn-go' : 'btn-quiet'"
            :aria-pressed="choices[row.id] === side.id"
            @click="choices = { ...choices, [row.id]: side.id }"
          >
            <span class="text-[14px]">{{ side.name }}</span><span>{{ row[side.id] }}</span>
          </button>
        </div>
      </fieldset>
    </li>
  </ul>
</template>
