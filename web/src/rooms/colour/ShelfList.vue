<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import Patch from '../../parts/Patch.vue'
import { useShelf } from '../../shelf'
import { useVocabulary } from '../../vocabulary'
import { count } from '../../words'
import ShelfLines from './ShelfLines.vue'
import WeighShelf from './WeighShelf.vue'

/** The paints: looked for or typed in one field, many at once, weighed, chosen. */
const chosen = defineModel<number | null>({ required: true })
const emit = defineEmits<{ put: [paint: number] }>()
const shelf = useShelf()
const known = useVocabulary()
const line = ref('')
const open = ref<'paints' | 'swatches' | 'weigh' | null>(null)
const WORDS = { paints: 'add many', weigh: 'weigh', swatches: 'swatches' } as const

/** A line with a colour is a paint to add; any other words look for one. */
const adding = computed(() => /#[0-9a-f]{3}/i.test(line.value))
const shown = computed(() => {
  const words = adding.value ? '' : line.value.trim().toLowerCase()
  return (shelf.paints ?? []).filter((one) =>
    `${one.paint.name} ${one.paint.range} ${one.paint.code} ${one.paint.medium}`
      .toLowerCase()
      .includes(words),
  )
})

async function enter() {
  if (adding.value) {
    if (await shelf.type(line.value)) line.value = ''
    return
  }
  const one = shown.value[0]
  if (one && !one.clear) emit('put', one.id)
}

function left(one: Schemas['PaintOut']): string {
  const ml = one.paint.left_ml
  if (ml === null || ml === undefined) return ''
  return ml === 0 ? 'used up' : `${Math.round(ml * 10) / 10} ml`
}
</script>

<template>
  <section aria-label="Shelf" class="min-w-0">
    <form @submit.prevent="enter">
      <label class="grid gap-1 text-14"
        ><span>{{
          shelf.paints === null
            ? 'Reading the shelf …'
            : `${count(shelf.paints.length, 'paint')}: look for one, or type one`
        }}</span>
        <input
          v-model="line"
          class="field w-full"
          maxlength="200"
          placeholder="Reed green #66703f 17 ml"
      /></label>
    </form>
    <p class="fig text-14 text-soft" :class="{ invisible: !line.trim() }">
      {{ adding ? 'Enter adds it' : 'Enter puts a drop of the first in' }}
    </p>
    <p class="flex flex-wrap gap-x-4 text-14">
      <button
        v-for="(words, each) in WORDS"
        :key="each"
        class="link min-h-9 px-0"
        :aria-expanded="open === each"
        @click="open = open === each ? null : each"
      >
        {{ words }}
      </button>
      <a
        v-if="shelf.paints?.length"
        class="link inline-flex min-h-9 items-center px-0"
        href="/api/shelf/labels"
        download
        title="A label for each pot, from the label printer: its code opens the paint's card"
        >labels</a
      >
    </p>
    <ShelfLines
      v-if="open === 'paints' || open === 'swatches'"
      :key="open"
      :what="open"
      @close="open = null"
    />
    <WeighShelf v-else-if="open === 'weigh'" :paints="shown" @close="open = null" />
    <p v-if="shelf.off" class="my-1 text-14" role="status">
      {{ shelf.off.paint.name }} taken off.
      <button class="link" @click="shelf.putBack">Put it back</button>
    </p>
    <p v-if="shelf.paints && !shelf.paints.length" class="py-3 text-soft">
      The shelf is empty. Type a paint with its label's colour, or
      <button v-if="open !== 'paints'" class="btn mt-2" @click="open = 'paints'">
        Paste a list
      </button>
    </p>
    <ul
      v-else-if="open !== 'weigh'"
      class="mt-1 max-h-[66vh] overflow-y-auto bg-paper max-md:max-h-64"
      aria-label="Paints"
      tabindex="-1"
    >
      <li
        v-for="one in shown"
        :key="one.id"
        class="flex items-center gap-1 border-b border-l-4 border-ground border-l-transparent pl-1"
        :class="{ 'border-l-ink!': one.id === chosen }"
      >
        <button
          class="flex min-h-11 min-w-0 flex-1 items-center gap-2 text-left"
          :aria-current="one.id === chosen"
          @click="chosen = one.id === chosen ? null : one.id"
        >
          <Patch :colour="one.clear ? 'var(--paper)' : one.dry" :width="32" :height="30" />
          <span class="min-w-0 flex-1 truncate">{{ one.called }}</span>
          <b v-if="one.sounds_like" :title="`Is it ${known.paint_kinds[one.sounds_like]}?`"
            >?<span class="sr-only"> Is it {{ known.paint_kinds[one.sounds_like] }}?</span></b
          >
          <span
            class="fig text-14 text-soft"
            :class="{ warn: one.paint.left_ml === 0, 'pr-2': one.clear }"
            >{{ left(one) }}</span
          >
        </button>
        <button
          v-if="!one.clear"
          class="link w-9"
          :aria-label="`+1 drop of ${one.paint.name}`"
          @click="emit('put', one.id)"
        >
          +1
        </button>
      </li>
    </ul>
  </section>
</template>
