<script setup lang="ts">
import { onMounted, ref, useTemplateRef } from 'vue'
import type { Schemas } from '../../api/client'
import { useShelf } from '../../shelf'
import { useVocabulary } from '../../vocabulary'
import { readMix } from './mix'

type Part = Schemas['MixPart']

/** Parts of a mix as drops: more, fewer, another paint typed with how many. */
const props = defineProps<{ value: Part[] }>()
const emit = defineEmits<{ set: [value: Part[]]; done: [] }>()
const shelf = useShelf()
const known = useVocabulary()
const text = ref('')
const box = useTemplateRef('box')
onMounted(() => {
  if (shelf.paints === null) void shelf.load()
  box.value?.focus()
})

function turn(index: number, by: number) {
  const next = props.value.map((one, n) =>
    n === index ? { ...one, parts: Math.min(99, (one.parts ?? 1) + by) } : one,
  )
  emit('set', next.filter((one) => (one.parts ?? 1) > 0)) // prettier-ignore
}

function add() {
  const found = readMix(text.value)
  if (found.length) {
    const rest = props.value.filter((one) => !found.some((each) => each.name === one.name))
    emit('set', [...rest, ...found].slice(0, 12))
  }
  text.value = ''
}

const colourOf = (name: string) =>
  shelf.colours.find((one) => one.called === name || one.paint.name === name)?.dry ?? 'none'
</script>

<template>
  <div>
    <ul aria-label="Parts of the mix">
      <li v-for="(one, index) in value" :key="one.name" class="flex min-h-11 items-center gap-3">
        <b class="fig w-6 text-right">{{ one.parts ?? 1 }}</b>
        <span class="w-40 truncate">{{ one.name }}</span>
        <svg class="h-5 min-w-0 flex-1 max-md:hidden" aria-hidden="true">
          <circle
            v-for="n in Math.min(one.parts ?? 1, 16)"
            :key="n"
            :cx="n * 17 - 8"
            cy="10"
            r="7"
            :fill="colourOf(one.name)"
            stroke="var(--key)"
          />
        </svg>
        <button
          class="btn px-3"
          type="button"
          :aria-label="`One part less of ${one.name}`"
          @click="turn(index, -1)"
        >
          &minus;
        </button>
        <button
          class="btn px-3"
          type="button"
          :aria-label="`One part more of ${one.name}`"
          @click="turn(index, 1)"
        >
          +
        </button>
      </li>
    </ul>
    <input
      ref="box"
      v-model="text"
      class="field w-64"
      list="paints-to-mix"
      maxlength="200"
      aria-label="Add to the mix"
      placeholder="2 Silt, then Enter"
      @keydown.enter.prevent="text.trim() ? add() : emit('done')"
      @change="add"
    />
    <datalist id="paints-to-mix">
      <option v-for="one in shelf.paints ?? []" :key="one.id">{{ one.called }}</option>
      <option v-for="name in known.thinners" :key="name">{{ name }}</option>
    </datalist>
  </div>
</template>
