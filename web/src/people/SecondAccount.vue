<script setup lang="ts">
import type { PersonRow } from '@peen/contract'
import { computed, ref, watch } from 'vue'
import SheetDialog from '../components/SheetDialog.vue'
import { t } from '../words'

// Two accounts of one person count as one in grading and signing: said by a colleague, and taken back by another than the person.
const props = defineProps<{
  person: PersonRow | null
  people: readonly PersonRow[]
  say: (otherId: string, same: boolean) => Promise<unknown>
}>()
const emit = defineEmits<{ close: [] }>()
const otherId = ref('')
watch(
  () => props.person,
  () => (otherId.value = '')
)
const others = computed(() => props.people.filter(({ id }) => id !== props.person?.id && !props.person?.otherAccounts.includes(id)))
const same = computed(() => props.people.filter(({ id }) => props.person?.otherAccounts.includes(id)))
const called = ({ givenName, familyName, username }: PersonRow) => `${givenName} ${familyName} (${username})`
async function put(id: string, is: boolean): Promise<void> {
  await props.say(id, is)
  emit('close')
}
</script>

<template>
  <SheetDialog
    :open="person !== null"
    :title="t('people.givenNameSSecondAccount', { givenName: person?.givenName ?? '' })"
    @close="emit('close')"
  >
    <p class="mt-1 leading-[1.4]">
      {{ t('people.twoAccountsOnePersonGrade') }}
    </p>
    <ul v-if="same.length" class="row-rule m-0 mt-3 list-none p-0">
      <li v-for="one in same" :key="one.id" class="flex min-h-12 flex-wrap items-center gap-3">
        <span class="min-w-0 flex-1">{{ called(one) }}</span>
        <button class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="put(one.id, false)">{{ t('people.notSamePerson') }}</button>
      </li>
    </ul>
    <form class="mt-4 flex flex-wrap items-end gap-2" @submit.prevent="put(otherId, true)">
      <label class="min-w-0 flex-1 basis-60"
        ><span class="label">{{ t('people.samePersonsOtherAccount') }}</span
        ><select v-model="otherId" class="field w-full" required>
          <option value="" disabled>{{ t('people.chooseAccount') }}</option>
          <option v-for="one in others" :key="one.id" :value="one.id">{{ called(one) }}</option>
        </select></label
      >
      <button class="btn" :disabled="otherId === ''">{{ t('people.samePerson') }}</button>
    </form>
  </SheetDialog>
</template>
