<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import type { Schemas } from '../../api/client'
import type { Field } from './words'

/** One of a list: pressed, or begun by a few letters and Enter. */
const props = defineProps<{
  field: Field
  options: Schemas['Option'][]
  value: string | null
}>()
const emit = defineEmits<{ set: [value: string | null]; done: [] }>()
const LONG = 9
const begun = ref('')
const box = useTemplateRef('box')
const list = useTemplateRef('list')
const shown = computed(() => {
  const letters = begun.value.trim().toLowerCase()
  return props.options.filter((one) => one.words.toLowerCase().includes(letters))
})
onMounted(() => {
  if (box.value) return box.value.focus()
  const now = list.value?.querySelector<HTMLElement>('[aria-pressed="true"]')
  ;(now ?? list.value?.querySelector<HTMLElement>('button'))?.focus()
})

function choose(value: string | null) {
  emit('set', value)
  emit('done')
}

function first() {
  const one = shown.value[0]
  if (one) choose(one.value)
}

/** Arrows go from word to word. */
function step(event: KeyboardEvent, by: number) {
  const all = [...(list.value?.querySelectorAll<HTMLElement>('button') ?? [])]
  const at = all.indexOf(event.target as HTMLElement)
  all[(at + by + all.length) % all.length]?.focus()
}
</script>

<template>
  <div>
    <input
      v-if="options.length > LONG"
      ref="box"
      v-model="begun"
      class="field mb-1 w-56"
      :aria-label="`Look for: ${field.label}`"
      placeholder="a few letters"
      @keydown.enter.prevent="first"
      @keydown.down.prevent="step($event, 1)"
    />
    <div
      ref="list"
      class="flex max-h-52 flex-wrap gap-x-4 overflow-y-auto"
      role="group"
      :aria-label="field.label"
      @keydown.right.prevent="step($event, 1)"
      @keydown.down.prevent="step($event, 1)"
      @keydown.left.prevent="step($event, -1)"
      @keydown.up.prevent="step($event, -1)"
    >
      <button
        v-for="one in shown"
        :key="one.value"
        type="button"
        class="link min-h-9 max-md:min-h-11"
        :class="{ 'font-bold no-underline': one.value === value }"
        :aria-pressed="one.value === value"
        @click="choose(one.value)"
      >
        {{ one.words }}
      </button>
      <button
        v-if="field.unsaid && !begun"
        type="button"
        class="link min-h-9 text-soft max-md:min-h-11"
        :aria-pressed="value === null"
        @click="choose(null)"
      >
        {{ field.unsaid }}
      </button>
    </div>
    <p v-if="!shown.length" class="text-14 text-soft">None is called so.</p>
  </div>
</template>
