<script setup lang="ts">
import { defineAsyncComponent, watchEffect } from 'vue'
import { useRoute } from 'vue-router'
import { applySettings } from './composables/applySettings'
import { titleOf } from './router'
import { useDraftStore } from './stores/drafts'
import { useOutboxStore } from './stores/outbox'
import { useSessionStore } from './stores/session'

// who is not signed in loads no more than the door
const BenchBar = defineAsyncComponent(() => import('./components/BenchBar.vue'))
const BroughtBack = defineAsyncComponent(() => import('./outbox/BroughtBack.vue'))
applySettings()
const route = useRoute()
const session = useSessionStore()
// what was tapped or written before a reload is sent from any screen
const outbox = useOutboxStore()
useDraftStore()
watchEffect(() => (document.title = [titleOf(route), session.school?.name ?? 'Peen'].join(', ')))
</script>

<template>
  <div class="page flex flex-col overflow-hidden print:h-auto print:overflow-visible">
    <BroughtBack v-if="session.me && outbox.brought" />
    <div class="flex min-h-0 flex-1 flex-col"><RouterView /></div>
    <BenchBar v-if="session.me" />
  </div>
</template>
