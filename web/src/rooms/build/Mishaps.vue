<script setup lang="ts">
import { computed, ref } from 'vue'
import ActButton from '../../parts/ActButton.vue'
import type { BuildState } from './build'

/** What nobody planned has a place: its minutes are work to come, and the kit remembers. */
const props = defineProps<{ build: BuildState }>()

const WHAT = ['came off', 'broken', 'lost', 're-glued'] as const
const what = ref<(typeof WHAT)[number]>('came off')
const part = ref('')
const models = ref('1')
const minutes = ref(5)
const view = computed(() => props.build.view.value)
const parts = computed(() => view.value?.build.kit.parts ?? [])
const name = (id: string) => parts.value.find((one) => one.id === id)?.name ?? id

const numbers = computed(() =>
  models.value.split(/[\s,]+/).filter(Boolean).map(Number),
) // prettier-ignore
const why = computed(() => {
  if (!part.value) return 'choose the part'
  const most = view.value?.models ?? 1
  const fits = (one: number) => Number.isInteger(one) && one >= 1 && one <= most
  if (!numbers.value.length || !numbers.value.every(fits)) return `name models 1 to ${most}`
  return null
})

async function note() {
  const unit = props.build.unit.value
  if (!unit) return
  const done = await props.build.change({
    do: 'note_mishap', unit, what: what.value, part: part.value,
    models: numbers.value, minutes: minutes.value,
  }) // prettier-ignore
  if (done) part.value = ''
}

function takeOut(id: string) {
  const unit = props.build.unit.value
  const now = view.value?.build
  if (!unit || !now) return
  const mishaps = now.mishaps?.filter((one) => one.id !== id) ?? []
  void props.build.change({
    do: 'set_build', unit, build: { ...now, mishaps } as never, words: 'a mishap taken out',
  }) // prettier-ignore
}
</script>

<template>
  <section v-if="view" aria-label="Mishaps" class="mt-4 border-t-2 border-ink pt-3">
    <h2>Something broke</h2>
    <ul v-if="view.build.mishaps?.length" class="mt-2">
      <li
        v-for="one in view.build.mishaps"
        :key="one.id"
        class="flex min-h-11 flex-wrap items-center gap-4"
      >
        <span
          ><b>{{ name(one.part) }}</b> {{ one.what }}, model {{ one.models.join(', ') }}:
          {{ one.minutes }} min each</span
        >
        <button class="link" @click="takeOut(one.id)">Take it out</button>
      </li>
    </ul>
    <form class="mt-2 flex flex-wrap items-end gap-3" @submit.prevent="why === null && note()">
      <label class="grid gap-1 text-14"
        >Part
        <select v-model="part" class="field">
          <option value="">which?</option>
          <option v-for="one in parts" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >What
        <select v-model="what" class="field">
          <option v-for="one in WHAT" :key="one">{{ one }}</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >Models <input v-model="models" class="field w-28" inputmode="numeric"
      /></label>
      <label class="grid gap-1 text-14"
        >Minutes to mend one
        <input
          v-model.number="minutes"
          class="field w-24"
          type="number"
          min="0.1"
          max="600"
          step="0.5"
      /></label>
      <ActButton :why="why" @press="note">Plan the mending</ActButton>
    </form>
  </section>
</template>
