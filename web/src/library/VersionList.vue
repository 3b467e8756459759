<script setup lang="ts">
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// Every version of a trim or a technique, newest first: read one, or lay it beside the one that is shown.
defineProps<{
  versions: readonly { readonly version: number; readonly by: string | null; readonly at: string | null }[]
  shown: number
  /** where a version is read, if it has a page of its own */
  to?: (version: number) => string
}>()
defineEmits<{ compare: [version: number] }>()
const session = useSessionStore()
</script>

<template>
  <template v-if="versions.length > 1">
    <h2 class="mt-5">{{ t('library.versions') }}</h2>
    <ul class="row-rule m-0 mt-1 list-none border-y border-line p-0">
      <li v-for="{ version, by, at } in versions" :key="version" class="flex min-h-11 items-center justify-between gap-3 leading-[1.2]">
        <component :is="to ? 'RouterLink' : 'span'" :to="to?.(version)" class="flex min-h-11 items-center">
          {{ version }}, {{ by ? t('library.date', { by, date: sayDate(at, session.school?.now) }) : t('library.suppliedPeen') }}
        </component>
        <button v-if="version !== shown" class="btn btn-quiet min-h-11 px-3" @click="$emit('compare', version)">
          {{ t('library.compare') }}
        </button>
        <span v-else class="muted px-3">{{ t('library.shown') }}</span>
      </li>
    </ul>
  </template>
</template>
