<script setup lang="ts">
import { reactive } from 'vue'
import type { Schemas } from '../../api/client'
import { useHouse } from '../../house'
import { useMuster } from '../../muster'

/** One part, to be changed. */
const props = defineProps<{ part: Schemas['Part']; main: boolean }>()
const emit = defineEmits<{ put: [part: Schemas['Part']]; remove: [] }>()

const house = useHouse()
const muster = useMuster()
const row = reactive({
  ...props.part,
  zones: (props.part.zones ?? []).join(', '),
  material: props.part.material ?? '',
  unit: props.part.unit ?? '',
  scale: props.part.scale ?? '',
})

function put() {
  emit('put', {
    ...props.part, ...row,
    zones: row.zones.split(',').map((one) => one.trim()).filter(Boolean),
    material: (row.material || null) as Schemas['Part']['material'],
    unit: row.unit || null,
    scale: row.scale === '' ? null : Number(row.scale),
  }) // prettier-ignore
}
</script>

<template>
  <form class="flex flex-wrap items-end gap-3 pb-3" @submit.prevent="put">
    <label class="grid gap-1 text-14"
      >Name <input v-model="row.name" class="field w-44" required
    /></label>
    <label class="grid gap-1 text-14"
      >Zones that are its own <input v-model="row.zones" class="field w-56"
    /></label>
    <label class="grid gap-1 text-14"
      >Material
      <select v-model="row.material" class="field">
        <option value="">as the recipe says</option>
        <option v-for="one in house.known?.materials ?? []" :key="one">{{ one }}</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >Pieces <input v-model.number="row.pieces" class="field w-20" type="number" min="1" max="400"
    /></label>
    <label class="grid gap-1 text-14"
      >Spares <input v-model.number="row.spares" class="field w-20" type="number" min="0" max="99"
    /></label>
    <label class="grid gap-1 text-14"
      >Scale, if another: 1/
      <input v-model="row.scale" class="field w-20" type="number" min="1" max="1000"
    /></label>
    <label class="grid gap-1 text-14"
      >One option of
      <input v-model="row.option" class="field w-32" maxlength="40" placeholder="turret"
    /></label>
    <label class="grid gap-1 text-14"
      >Models of another unit
      <select v-model="row.unit" class="field">
        <option value="">no</option>
        <option v-for="one in muster.view?.roll ?? []" :key="one.unit.id" :value="one.unit.id">
          {{ one.unit.name }}
        </option>
      </select></label
    >
    <fieldset class="flex flex-wrap gap-x-5 gap-y-1">
      <legend class="sr-only">What it is</legend>
      <label class="flex min-h-11 items-center gap-2"
        ><input v-model="row.fragile" type="checkbox" class="size-5" />fragile</label
      >
      <label class="flex min-h-11 items-center gap-2"
        ><input v-model="row.painted" type="checkbox" class="size-5" />painted</label
      >
      <label v-if="!main" class="flex min-h-11 items-center gap-2"
        ><input v-model="row.fitted" type="checkbox" class="size-5" />fitted</label
      >
      <label v-if="!main" class="flex min-h-11 items-center gap-2"
        ><input v-model="row.together" type="checkbox" class="size-5" />those of all models in one
        tray</label
      >
    </fieldset>
    <div class="flex gap-3">
      <button class="btn">Keep</button>
      <button v-if="!main" type="button" class="link" @click="emit('remove')">Take it out</button>
    </div>
  </form>
</template>
