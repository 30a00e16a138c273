<script setup lang="ts">
import { reactive } from 'vue'
import type { Schemas } from '../../api/client'
import { useHouse } from '../../house'

/** One joint, to be changed. */
const props = defineProps<{ joint: Schemas['Joint']; parts: Schemas['Part'][] }>()
const emit = defineEmits<{ put: [joint: Schemas['Joint']]; remove: [] }>()

const house = useHouse()
const HOLDS = ['glue', 'magnet', 'peg', 'clip', 'slide'] as const
const row = reactive({
  ...props.joint,
  adhesive: props.joint.adhesive ?? '',
  lifts: props.joint.lifts ?? '',
  closes: [...(props.joint.closes ?? [])],
})
const others = props.parts.filter((one) => one.id !== props.joint.part)
const MINUTES = [
  ['fit_min', 'Minutes to fit'],
  ['again_min', 'more when painted'],
  ['mask_min', 'to mask'],
] as const

function put() {
  emit('put', {
    ...props.joint, ...row, adhesive: row.adhesive || null, lifts: row.lifts || null,
  }) // prettier-ignore
}
</script>

<template>
  <form class="flex flex-wrap items-end gap-3 pb-3" @submit.prevent="put">
    <label class="grid gap-1 text-14"
      >Onto
      <select v-model="row.onto" class="field">
        <option v-for="one in others" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >Held by
      <select v-model="row.hold" class="field">
        <option v-for="one in HOLDS" :key="one">{{ one }}</option>
      </select></label
    >
    <label v-if="row.hold === 'glue'" class="grid gap-1 text-14"
      >Glue
      <select v-model="row.adhesive" class="field">
        <option value="">the usual one</option>
        <option v-for="one in house.known?.adhesives ?? []" :key="one">{{ one }}</option>
      </select></label
    >
    <label v-for="[field, words] in MINUTES" :key="field" class="grid gap-1 text-14"
      >{{ words }}
      <input
        v-model.number="row[field]"
        class="field w-24"
        type="number"
        min="0"
        max="600"
        step="0.5"
    /></label>
    <label class="grid gap-1 text-14"
      >Lifts off with
      <select v-model="row.lifts" class="field">
        <option value="">nothing</option>
        <option v-for="one in others" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >Keep free of paint <input v-model="row.keep_free" class="field w-44" maxlength="60"
    /></label>
    <fieldset class="flex flex-wrap gap-x-5 gap-y-1">
      <legend class="text-14">Closes in</legend>
      <label v-for="one in others" :key="one.id" class="flex min-h-11 items-center gap-2"
        ><input v-model="row.closes" type="checkbox" :value="one.id" class="size-5" />{{
          one.name
        }}</label
      >
    </fieldset>
    <fieldset class="flex flex-wrap gap-x-5 gap-y-1">
      <legend class="sr-only">What it is</legend>
      <label class="flex min-h-11 items-center gap-2"
        ><input v-model="row.aligns" type="checkbox" class="size-5" />others go by it</label
      >
      <label class="flex min-h-11 items-center gap-2"
        ><input v-model="row.weak" type="checkbox" class="size-5" />weak without a pin</label
      >
      <label class="flex min-h-11 items-center gap-2"
        ><input v-model="row.gap" type="checkbox" class="size-5" />its seam is filled</label
      >
    </fieldset>
    <div class="flex gap-3">
      <button class="btn">Keep</button>
      <button type="button" class="link" @click="emit('remove')">Take it out</button>
    </div>
  </form>
</template>
