<script setup lang="ts">
import { PIN_DIGITS, ROLE_NAMES, type TabletPerson } from '@peen/contract'
import { Delete } from '@lucide/vue'
import { computed, nextTick, ref } from 'vue'
import { isUnreachable, sentenceOf } from '../api/client'
import { lately, type KeptSignIn } from '../offline/kept-sign-in'
import { useReachStore } from '../stores/reach'
import { useSessionStore } from '../stores/session'
import { useTabletStore } from '../stores/tablet'
import { t } from '../words'

// A locked tablet that people share: a name, then its PIN. Without the server only who was in here lately goes on, by name.
const emit = defineEmits<{ opened: []; refused: [words: string | null] }>()
const session = useSessionStore()
const reach = useReachStore()
const tablet = useTabletStore()
const chosen = ref<TabletPerson | null>(null)
const pin = ref('')
const works = ref(false)
const showsAll = ref(false)
const field = ref<HTMLInputElement | null>(null)
const remembered = ref<readonly KeptSignIn[]>([])
void lately(Date.now()).then((found) => (remembered.value = found))

const near = computed(() => tablet.people.filter((one) => one.near))
const shown = computed(() => (showsAll.value || near.value.length === 0 ? tablet.people : near.value))
const hidden = computed(() => tablet.people.length - shown.value.length)
const nameOf = ({ givenName, familyName }: { readonly givenName: string; readonly familyName: string }) => `${givenName} ${familyName}`

async function choose(person: TabletPerson): Promise<void> {
  emit('refused', null)
  chosen.value = person
  pin.value = ''
  await nextTick()
  field.value?.focus()
}
async function open(): Promise<void> {
  if (!chosen.value || works.value) return
  works.value = true
  try {
    await session.unlock({ personId: chosen.value.id, pin: pin.value })
    emit('opened')
  } catch (caught) {
    // without an answer the door itself says what can be done
    emit('refused', isUnreachable(caught) ? null : sentenceOf(caught))
    pin.value = ''
    field.value?.focus()
  } finally {
    works.value = false
  }
}
async function goOn(id: string): Promise<void> {
  await session.pick(id)
  emit('opened')
}
const press = (digit: number) => (pin.value = `${pin.value}${digit}`.slice(0, PIN_DIGITS.most))
</script>

<template>
  <section v-if="reach.isLost" data-testid="tablet-door">
    <template v-if="remembered.length > 0">
      <p class="leading-[1.35]">
        {{ t('door.whileThereNoConnectionAnyone') }}
      </p>
      <button v-for="{ me } in remembered" :key="me.id" class="btn mt-2 min-h-14 w-full justify-start text-left" @click="goOn(me.id)">
        {{ t('door.continueMe', { me: nameOf(me) }) }}
      </button>
    </template>
    <p v-else class="leading-[1.35]">{{ t('door.noOneHasOpenedTablet') }}</p>
  </section>
  <section v-else-if="chosen" data-testid="tablet-door">
    <form @submit.prevent="open">
      <label class="label" for="pin">{{ t('door.pinChosen', { chosen: nameOf(chosen) }) }}</label>
      <input
        id="pin"
        ref="field"
        v-model="pin"
        class="field text-center text-[28px] tracking-[0.4em]"
        type="password"
        inputmode="none"
        autocomplete="off"
        :maxlength="PIN_DIGITS.most"
      />
      <div class="mt-3 grid grid-cols-3 gap-2">
        <button
          v-for="digit in [1, 2, 3, 4, 5, 6, 7, 8, 9]"
          :key="digit"
          type="button"
          class="btn btn-quiet min-h-14 justify-center text-[22px]"
          @click="press(digit)"
        >
          {{ digit }}
        </button>
        <button
          type="button"
          class="btn btn-quiet min-h-14 justify-center"
          :aria-label="t('door.deleteLastDigit')"
          @click="pin = pin.slice(0, -1)"
        >
          <Delete :size="24" :stroke-width="1.75" aria-hidden="true" />
        </button>
        <button type="button" class="btn btn-quiet min-h-14 justify-center text-[22px]" @click="press(0)">0</button>
        <button class="btn btn-go min-h-14 justify-center" :disabled="works || pin.length < PIN_DIGITS.least">{{ t('door.open') }}</button>
      </div>
    </form>
    <button class="btn btn-quiet mt-4 w-full" @click="chosen = null">{{ t('door.notGivenName', { givenName: chosen.givenName }) }}</button>
  </section>
  <section v-else data-testid="tablet-door">
    <button
      v-for="person in shown"
      :key="person.id"
      class="btn btn-quiet mb-2 flex min-h-14 w-full items-center justify-start gap-3 text-left"
      @click="choose(person)"
    >
      <b>{{ nameOf(person) }}</b><span class="muted">{{ ROLE_NAMES[person.role] }}</span>
    </button>
    <p v-if="tablet.people.length === 0" class="leading-[1.35]">
      {{ t('door.noOneHasPinYet') }}
    </p>
    <button v-if="hidden > 0" class="btn btn-quiet w-full" @click="showsAll = true">{{ t('door.hiddenMorePeople', { hidden }) }}</button>
  </section>
</template>
