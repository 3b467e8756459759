<script setup lang="ts">
import { techniqueSchema, check, type NewTechnique, type TechniqueVersion } from '@peen/contract'
import { versionIssues, type Technique } from '@peen/core/technique'
import { ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import { t } from '../words'

// The school words a technique its own way. What is unsafe stays: faults, cautions and hold points may be added, not taken away.
const props = defineProps<{ technique: TechniqueVersion }>()
const emit = defineEmits<{ kept: [] }>()
const { version, ...shipped } = props.technique
const body = ref<Mutable<Technique>>(JSON.parse(JSON.stringify(shipped)) as Mutable<Technique>)
const refused = ref<readonly string[]>([])
const keptFaults = new Set(shipped.faults.map(({ id }) => id))
const keptHazards = new Set(shipped.hazards.map(({ id }) => id))

type Mutable<T> = {
  -readonly [K in keyof T]: T[K] extends readonly (infer U)[] ? Mutable<U>[] : T[K] extends object ? Mutable<T[K]> : T[K]
}

const idFrom = (name: string, taken: ReadonlySet<string>) => {
  const base = `own-${name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40)}`
  return [base, ...Array.from({ length: 40 }, (_, i) => `${base}-${i + 2}`)].find((id) => !taken.has(id))!
}
function named(): Technique {
  const taken = new Set([...body.value.faults, ...body.value.hazards].map(({ id }) => id))
  const withId = <T extends { id: string; name: string }>(item: T): T => (item.id === '' ? { ...item, id: idFrom(item.name, taken) } : item)
  return {
    ...body.value,
    steps: body.value.steps.map((step) => step.trim()).filter((step) => step !== ''),
    usualMinutes: Number(body.value.usualMinutes),
    faults: body.value.faults.map(withId),
    hazards: body.value.hazards.map(withId)
  }
}
async function keep(): Promise<void> {
  const wanted: NewTechnique = { version, body: named() }
  const checked = check(techniqueSchema, wanted)
  const issues = checked.ok
    ? versionIssues(shipped, wanted.body).map(({ path, got, limit }) => t('library.pathGotMustLimit', { path, got: String(got), limit }))
    : checked.issues.map(({ detail }) => detail)
  refused.value = [...new Set(issues)]
  if (issues.length > 0) return
  try {
    await ask('keepTechnique', { technique: shipped.id, body: wanted })
    emit('kept')
  } catch (caught) {
    refused.value = [sentenceOf(caught)]
  }
}
const addFault = () => body.value.faults.push({ id: '', name: '', major: false, cause: '', cure: '' })
const addHazard = () => body.value.hazards.push({ id: '', name: '', caution: '', hold: false })
</script>

<template>
  <form novalidate @submit.prevent="keep">
    <label class="mb-3 block"
      ><span class="label">{{ t('library.name') }}</span
      ><input v-model="body.name" class="field" maxlength="60"
    /></label>
    <fieldset class="mb-3">
      <legend class="label">{{ t('library.stepsOrder') }}</legend>
      <label v-for="(_, i) in body.steps" :key="i" class="mt-1.5 flex items-start gap-3">
        <span class="numeral w-5 pt-2 text-[20px]">{{ i + 1 }}</span>
        <textarea v-model="body.steps[i]" class="field" rows="2" maxlength="400" :aria-label="t('library.stepI', { i: i + 1 })" />
      </label>
      <button type="button" class="btn btn-quiet mt-2 min-h-11" @click="body.steps.push('')">{{ t('library.addStep') }}</button>
    </fieldset>
    <label class="mb-3 block"
      ><span class="label">{{ t('library.look') }}</span
      ><textarea v-model="body.lookAt" class="field" rows="2" maxlength="160" />
    </label>
    <label class="mb-3 block"
      ><span class="label">{{ t('library.cleanWhen') }}</span
      ><textarea v-model="body.clean" class="field" rows="2" maxlength="200" />
    </label>
    <label class="mb-3 block"
      ><span class="label">{{ t('library.figureFirst') }}</span
      ><textarea v-model="body.figure" class="field" rows="2" maxlength="200" />
    </label>
    <label class="mb-3 block"
      ><span class="label">{{ t('library.usualMinutes') }}</span
      ><input v-model="body.usualMinutes" class="field w-32" inputmode="numeric"
    /></label>
    <fieldset class="mb-3">
      <legend class="label">{{ t('library.whatGoesWrong') }}</legend>
      <div v-for="(fault, i) in body.faults" :key="fault.id || `new-${i}`" class="mt-2 grid gap-1.5 border-b border-line pb-3">
        <input
          v-model="fault.name"
          class="field"
          maxlength="80"
          :placeholder="t('library.fault')"
          :aria-label="t('library.faultI', { i: i + 1 })"
        />
        <input
          v-model="fault.cause"
          class="field"
          maxlength="120"
          :placeholder="t('library.cause')"
          :aria-label="t('library.causeFaultI', { i: i + 1 })"
        />
        <input
          v-model="fault.cure"
          class="field"
          maxlength="160"
          :placeholder="t('library.cure')"
          :aria-label="t('library.cureFaultI', { i: i + 1 })"
        />
        <label class="flex min-h-11 items-center gap-3"
          ><input
            v-model="fault.major"
            type="checkbox"
            class="size-6"
            :disabled="keptFaults.has(fault.id) && shipped.faults.some((one) => one.id === fault.id && one.major)"
          />{{ t('library.majorAttemptFaultNotClean') }}</label
        >
      </div>
      <button type="button" class="btn btn-quiet mt-2 min-h-11" @click="addFault">{{ t('library.addFault') }}</button>
    </fieldset>
    <fieldset class="mb-3">
      <legend class="label">{{ t('library.whereCanHurt') }}</legend>
      <div v-for="(hazard, i) in body.hazards" :key="hazard.id || `new-${i}`" class="mt-2 grid gap-1.5 border-b border-line pb-3">
        <input
          v-model="hazard.name"
          class="field"
          maxlength="60"
          :placeholder="t('library.what')"
          :aria-label="t('library.hazardI', { i: i + 1 })"
        />
        <textarea
          v-model="hazard.caution"
          class="field"
          rows="2"
          maxlength="240"
          :placeholder="t('library.caution')"
          :aria-label="t('library.cautionI', { i: i + 1 })"
        />
        <label class="flex min-h-11 items-center gap-3"
          ><input
            v-model="hazard.hold"
            type="checkbox"
            class="size-6"
            :disabled="keptHazards.has(hazard.id) && shipped.hazards.some((one) => one.id === hazard.id && one.hold)"
          />{{ t('library.holdPointInstructorMustPresent') }}</label
        >
      </div>
      <button type="button" class="btn btn-quiet mt-2 min-h-11" @click="addHazard">{{ t('library.addCaution') }}</button>
    </fieldset>
    <ul v-if="refused.length > 0" class="mb-3 list-none p-0 font-semibold text-danger" role="alert">
      <li v-for="say in refused" :key="say">{{ say }}</li>
    </ul>
    <p class="muted mb-3 leading-[1.35]">{{ t('library.becomesVersionVersionEarlierVersions', { version: version + 1 }) }}</p>
    <button class="btn btn-go">{{ t('library.saveOurVersion') }}</button>
  </form>
</template>
