<script setup lang="ts">
import { reactive } from 'vue'
import type { Schemas } from '../../api/client'

/** One job, to be changed; none: a new one. */
const props = defineProps<{
  job: Schemas['Job'] | null
  kit: Schemas['Kit']
  done: boolean | null
}>()
const emit = defineEmits<{
  put: [job: Schemas['Job']]
  say: [done: boolean | null]
  remove: []
}>()

const WORK = [
  'cut', 'clean', 'wash', 'drill', 'pin', 'fill', 'sand', 'score', 'seal', 'test-fit', 'mask',
  'stretch',
] as const // prettier-ignore
const row = reactive({
  work: props.job?.work ?? ('clean' as const),
  part: props.job?.part ?? props.kit.parts[0]?.id ?? '',
  name: props.job?.name ?? '',
  minutes: props.job?.minutes ?? 2,
  before: props.job?.before ?? '',
  after: props.job?.after ?? '',
  hidden: props.job?.hidden_by?.[0] ?? '',
})
const jointName = (one: Schemas['Joint']) =>
  props.kit.parts.find((part) => part.id === one.part)?.name ?? one.part

function put() {
  const taken = new Set(props.kit.jobs?.map((one) => one.id))
  const plain = `${row.work}-${row.part}`.slice(0, 20)
  let id = props.job?.id ?? plain
  for (let n = 2; !props.job && taken.has(id); n++) id = `${plain}-${n}`
  emit('put', {
    needed: false, ...props.job, id, work: row.work, part: row.part, name: row.name,
    minutes: row.minutes, before: row.before || null, after: row.after || null,
    hidden_by: row.hidden ? [row.hidden] : [],
  }) // prettier-ignore
}
</script>

<template>
  <form
    class="flex flex-wrap items-end gap-3 py-3"
    :aria-label="job ? undefined : 'Another job'"
    @submit.prevent="put"
  >
    <label class="grid gap-1 text-14"
      >{{ job ? 'Work' : 'Another job' }}
      <select v-model="row.work" class="field">
        <option v-for="one in WORK" :key="one">{{ one }}</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >On
      <select v-model="row.part" class="field">
        <option v-for="one in kit.parts" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >Minutes
      <input
        v-model.number="row.minutes"
        class="field w-20"
        type="number"
        min="0"
        max="600"
        step="0.5"
    /></label>
    <template v-if="job">
      <label class="grid gap-1 text-14"
        >What <input v-model="row.name" class="field w-48" maxlength="60"
      /></label>
      <label
        v-for="[field, words] in [
          ['before', 'While open'],
          ['after', 'Once closed'],
          ['hidden', 'Hidden by'],
        ] as const"
        :key="field"
        class="grid gap-1 text-14"
        >{{ words }}
        <select v-model="row[field]" class="field">
          <option value="">no joint</option>
          <option v-for="one in kit.joints" :key="one.id" :value="one.id">
            {{ jointName(one) }}
          </option>
        </select></label
      >
      <div class="flex flex-wrap gap-3">
        <button class="btn">Keep</button>
        <button v-if="done !== false" type="button" class="link" @click="emit('say', false)">
          Leave it out
        </button>
        <button v-if="done !== true" type="button" class="link" @click="emit('say', true)">
          Do it anyway
        </button>
        <button v-if="done !== null" type="button" class="link" @click="emit('say', null)">
          As proposed
        </button>
        <button type="button" class="link" @click="emit('remove')">Take it out</button>
      </div>
    </template>
    <button v-else class="btn">Add it</button>
  </form>
</template>
