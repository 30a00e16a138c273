<script setup lang="ts">
import { computed } from 'vue'
import { useHouse } from '../../house'
import type { Subject } from './draft'

/** What a recipe is for: materials, of parts too, whether it is played with, what is fragile. */
const subject = defineModel<Subject>({ required: true })
const house = useHouse()

const named = (text: string) =>
  text
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
const parts = computed({
  get: () => (subject.value.materials ?? []).map((one) => `${one.part} ${one.material}`).join(', '),
  set: (text: string) => {
    const known = house.known?.materials ?? []
    const materials = text.split(',').flatMap((row) => {
      const material = known.find((one) => row.trim().endsWith(` ${one}`))
      const part = material && named(row.trim().slice(0, -material.length))
      return material && part ? [{ part, material }] : []
    })
    subject.value = { ...subject.value, materials }
  },
})
const fragile = computed({
  get: () => (subject.value.fragile ?? []).join(', '),
  set: (text: string) => {
    const names = text.split(',').map(named).filter(Boolean)
    subject.value = { ...subject.value, fragile: [...new Set(names)] }
  },
})

const more = computed(() => {
  const said = [
    parts.value && `parts: ${parts.value}`,
    fragile.value && `fragile: ${fragile.value}`,
  ]
  return `Parts and scale: ${[...said, `minutes for 1/${subject.value.scale}`].filter(Boolean).join('; ')}`
})

function setScale(text: string) {
  const scale = Math.round(Number(text))
  if (scale >= 1 && scale <= 1000) subject.value = { ...subject.value, scale }
}
</script>

<template>
  <label class="grid gap-1 text-14"
    >Made of
    <select v-model="subject.material" class="field">
      <option v-for="one in house.known?.materials" :key="one">{{ one }}</option>
    </select></label
  >
  <label class="grid gap-1 text-14"
    >The models are
    <select v-model="subject.use" class="field">
      <option value="played">played with</option>
      <option value="shown">shown</option>
    </select></label
  >
  <details class="text-14">
    <summary class="min-h-11 cursor-pointer content-center">{{ more }}</summary>
    <div class="flex flex-wrap gap-4 pb-2">
      <label class="grid gap-1 text-14"
        >Parts of something else
        <input
          v-model.lazy="parts"
          class="field w-56"
          placeholder="tracks vinyl, grille photo-etch"
      /></label>
      <label class="grid gap-1 text-14"
        >Fragile parts <input v-model.lazy="fragile" class="field w-36" placeholder="aerial"
      /></label>
      <label class="grid gap-1 text-14"
        >Minutes are for 1/
        <input
          class="field fig w-20"
          type="number"
          min="1"
          max="1000"
          :value="subject.scale"
          @change="setScale(($event.target as HTMLInputElement).value)"
      /></label>
    </div>
  </details>
</template>
