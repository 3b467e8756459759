import type { TabletDoor } from '@peen/contract'
import { StorageSerializers, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { ask, isUnreachable } from '../api/client'

/** This tablet as the people who share it know it. It holds names; PINs are tried on the server alone. */
export const useTabletStore = defineStore('tablet', () => {
  const door = useLocalStorage<TabletDoor | null>('peen.tablet', null, { serializer: StorageSerializers.object })
  /** null where this tablet is not enrolled */
  const tablet = computed(() => door.value?.tablet ?? null)
  const people = computed(() => door.value?.people ?? [])
  /** Asks the server who opens this tablet; without an answer it is as it was. */
  async function look(): Promise<void> {
    try {
      const found = await ask('tabletDoor')
      door.value = found.tablet ? found : null
    } catch (error) {
      if (!isUnreachable(error)) throw error
    }
  }
  return { tablet, people, look }
})
