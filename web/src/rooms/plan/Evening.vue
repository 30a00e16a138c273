<script setup lang="ts">
import { computed } from 'vue'
import type { View } from '../../api/client'
import Swatch from '../../parts/Swatch.vue'

/** On a phone: the calls of the next evening, one after another. */
const props = defineProps<{
  view: View
  clock: (iso: string) => string
  day: (iso: string) => string
}>()

const sitting = computed(() => {
  const board = props.view.board
  return board.sittings.find((one) =>
    board.pieces.some((piece) => piece.start >= one.start && piece.start < one.end),
  )
})
const rows = computed(() =>
  props.view.board.pieces
    .filter((piece) => {
      const one = sitting.value
      return one && piece.start >= one.start && piece.start < one.end
    })
    .map((piece) => ({
      piece,
      card: props.view.board.calls.find((card) => card.id === piece.call),
    })),
)
</script>

<template>
  <section v-if="sitting">
    <h2 class="my-2">
      {{ day(sitting.start) }}, {{ clock(sitting.start) }} to {{ clock(sitting.end) }}
    </h2>
    <ol>
      <li
        v-for="{ piece, card } in rows"
        :key="piece.call + piece.start"
        class="flex min-h-14 items-center gap-3 border-b border-rule"
      >
        <b>{{ clock(piece.start) }}</b>
        <Swatch :colour="card?.colour" :finish="card?.finish" />
        <span>{{ card?.name }}, {{ card?.tray_name }}</span>
      </li>
    </ol>
  </section>
</template>
