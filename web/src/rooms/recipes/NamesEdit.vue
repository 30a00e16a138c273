<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import type { Field } from './words'

/** Some of a list, each pressed in or out; what is not in it is typed. */
const props = defineProps<{ field: Field; options: string[]; value: string[] }>()
const emit = defineEmits<{ set: [value: string[]]; done: [] }>()
const text = ref('')
const list = useTemplateRef('list')
const names = computed(() => [...new Set([...props.options, ...props.value])])
onMounted(() => list.value?.querySelector<HTMLElement>('button')?.focus())

function press(name: string) {
  const rest = props.value.filter((one) => one !== name)
  const next = rest.length < props.value.length ? rest : [...rest, name]
  emit('set', next.slice(-Math.max(1, Math.min(props.field.most, 40))))
}

function add() {
  const name = text.value.trim()
  if (name && !props.value.includes(name)) press(name)
  text.value = ''
}
</script>

<template>
  <div>
    <div ref="list" class="flex flex-wrap gap-x-4" role="group" :aria-label="field.label">
      <button
        v-for="name in names"
        :key="name"
        type="button"
        class="link min-h-9 max-md:min-h-11"
        :class="value.includes(name) ? 'font-bold' : 'text-soft'"
        :aria-pressed="value.includes(name)"
        @click="press(name)"
      >
        {{ name }}
      </button>
      <button
        type="button"
        class="link min-h-9 text-soft max-md:min-h-11"
        :aria-pressed="!value.length"
        @click="(emit('set', []), emit('done'))"
      >
        {{ field.unsaid }}
      </button>
    </div>
    <input
      v-model="text"
      class="field mt-1 w-56"
      maxlength="60"
      :aria-label="`Another: ${field.label}`"
      placeholder="another, then Enter"
      @keydown.enter.prevent="text.trim() ? add() : emit('done')"
      @change="add"
    />
  </div>
</template>
