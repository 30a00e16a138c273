<script setup lang="ts">
import { ref, watch } from 'vue'
import { readTime, timeWords } from '../dates'

/** A time as this user writes it; `model` is HH:MM. Up and down turn it by a quarter of an hour. */
const model = defineModel<string>({ required: true })
defineProps<{ label: string }>()

const QUARTER = 15
const typed = ref('')
const wrong = ref(false)
watch(model, (now) => ((typed.value = timeWords(now)), (wrong.value = false)), { immediate: true })

function commit() {
  const found = readTime(typed.value)
  wrong.value = found === null
  if (!found) return
  typed.value = timeWords(found)
  model.value = found
}

function turn(by: number) {
  const now = readTime(typed.value) ?? '00:00'
  const minutes = (Number(now.slice(0, 2)) * 60 + Number(now.slice(3)) + by + 1440) % 1440
  const two = (n: number) => String(n).padStart(2, '0')
  typed.value = `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`
  commit()
}
</script>

<template>
  <span class="inline-grid">
    <input
      v-model="typed"
      class="field fig w-28"
      inputmode="text"
      autocomplete="off"
      :aria-label="label"
      :aria-invalid="wrong"
      @change="commit"
      @keydown.enter="commit"
      @keydown.up.prevent="turn(QUARTER)"
      @keydown.down.prevent="turn(-QUARTER)"
    />
    <span v-if="wrong" class="text-14 warn" role="alert"
      >no time: type {{ timeWords('19:30') }}</span
    >
  </span>
</template>
