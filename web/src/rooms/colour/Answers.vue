<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import Patch from '../../parts/Patch.vue'
import type { Mix } from '../../shelf'
import { saidOf as said, type Mixing } from './mixing'

/** Mixes that match, in the order of what an eye can tell; the closest is always named. */
const props = defineProps<{ mixing: Mixing }>()
const { found, drops } = props.mixing
const least = computed(() => Math.min(...found.value.map((one) => one.difference)))
const inHand = computed(() => said({ drops: drops.value } as Mix))

/** The first few, and the closest among those after them. */
const FEW = 5
const all = ref(false)
watch(found, () => (all.value = false))
const shown = computed(() =>
  found.value
    .map((one, n) => ({ one, n }))
    .filter(({ one, n }) => all.value || n < FEW || one.difference === least.value),
)
const more = computed(() => found.value.length - shown.value.length)

/** What a mix has before the others: it is the simplest that no eye tells, or the closest. */
function before(mix: Mix, n: number): string {
  const words = [n === 0 ? 'simplest' : '', mix.difference === least.value ? 'closest' : '']
  if (!mix.in_stock) words.push('not all in stock')
  return words.filter(Boolean).join(', ')
}
</script>

<template>
  <section v-if="found.length" class="mt-2" aria-labelledby="answers">
    <h3 id="answers" class="sr-only">Mixes that match</h3>
    <ol>
      <li v-for="{ one, n } in shown" :key="said(one)" class="border-b border-rule">
        <button
          class="fig flex min-h-11 w-full items-center gap-3 border-l-4 border-transparent pl-2 text-left"
          :class="{ 'border-l-ink!': said(one) === inHand }"
          :aria-current="said(one) === inHand"
          @click="mixing.take(one)"
        >
          <b class="w-8">{{ one.difference.toFixed(1) }}</b>
          <Patch :colour="one.colour" :width="28" :height="24" />
          <span class="min-w-0 flex-1">{{ said(one) }}</span>
          <span class="text-14 text-soft">{{ before(one, n) }}</span>
        </button>
      </li>
    </ol>
    <button v-if="more" class="link px-0 text-14" @click="all = true">{{ more }} more</button>
    <p class="text-14 text-soft">
      Within 1 of the closest no eye tells them apart: of those the fewest paints and drops stand
      first.
    </p>
  </section>
</template>
