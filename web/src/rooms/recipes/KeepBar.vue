<script setup lang="ts">
import ActButton from '../../parts/ActButton.vue'
import type { Book } from './book'

/** What was changed: kept, taken back, dropped. It has its place, so that nothing moves when it
 *  comes. */
const props = defineProps<{ book: Book }>()
const { begun, code, draft, chosen, why } = props.book
const { steps, changed } = draft
</script>

<template>
  <div v-if="changed || begun || steps.length" class="flex flex-wrap items-center gap-3">
    <button v-if="steps.length" class="btn" @click="draft.back">Take back</button>
    <button v-if="changed && code" class="btn" @click="draft.drop">Drop the changes</button>
    <ActButton main :why="why" @press="book.keep">
      {{ begun ? 'Keep it' : `Keep as version ${(chosen?.recipe.version ?? 0) + 1}` }}
    </ActButton>
  </div>
</template>
