<script setup lang="ts">
import type { FindingRow } from '@peen/contract'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { v7 } from 'uuid'
import { api, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useLoaded } from '../composables/useLoaded'

const router = useRouter()
const { data, error, loading, reload } = useLoaded<FindingRow[]>(() => '/findings')
const problem = ref<string | null>(null)
async function open(row: FindingRow): Promise<void> {
  try {
    const id =
      row.findingId ??
      (await api.post<{ id: string }>('/findings', { id: v7(), apprenticeId: row.apprenticeId, certificateId: row.certificateId })).id
    await router.push(`/certify/${id}`)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
const words = { none: 'no finding yet', drafted: 'drafted', issued: 'issued', declined: 'declined' } as const
</script>

<template>
  <TopLine what="Certify" />
  <ViewState v-if="!data || data.length === 0" :loading="loading" :error="error" :empty="data?.length === 0" @retry="reload">
    <p class="text-[20px] font-[650]">Nobody to certify yet.</p>
    <p class="muted mt-2">Apprentices appear here with what they have met and what is missing.</p>
  </ViewState>
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6">
    <h1>Who may be certified, on what evidence</h1>
    <hr class="rule2 mt-2" />
    <p v-if="problem" class="mt-2" role="alert">{{ problem }}</p>
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="row in data" :key="row.apprenticeId + row.certificateId">
        <button class="flex min-h-14 w-full flex-wrap items-center gap-x-5 px-1 py-2.5 hover:bg-well" @click="open(row)">
          <GlyphMark
            :name="row.status === 'issued' || row.met === row.of ? 'meets' : row.status === 'declined' ? 'fails' : 'missing'"
            :size="24"
          />
          <span class="w-44 text-[20px] font-[650]">{{ row.apprentice }}</span>
          <span class="w-28"
            ><b>{{ row.met }}</b> of {{ row.of }} met</span
          >
          <span class="muted min-w-60 flex-1 leading-[1.3]">{{ row.say }}</span>
          <span class="muted w-32 text-right max-sm:text-left">{{ words[row.status] }}</span>
        </button>
      </li>
    </ul>
  </main>
</template>
