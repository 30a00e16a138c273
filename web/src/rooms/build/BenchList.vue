<script setup lang="ts">
import type { Schemas } from '../../api/client'
import { hours } from '../../words'

/** The order of work as a list for the bench: what is done on every model has its box filled. */
defineProps<{ view: Schemas['BuildView'] }>()
const print = () => window.print()
</script>

<template>
  <section aria-label="Order of work" class="mt-4 border-t-2 border-ink pt-3">
    <div class="flex flex-wrap items-center justify-between gap-3">
      <h2>{{ view.name }}: order of work</h2>
      <button class="btn print:hidden" @click="print">Print</button>
    </div>
    <ol class="mt-2">
      <li
        v-for="(one, number) in view.order"
        :key="one.key"
        class="grid grid-cols-[28px_24px_1fr_auto] items-start gap-x-3 border-b border-rule py-1.5"
      >
        <span class="fig text-right text-soft">{{ number + 1 }}</span>
        <svg
          viewBox="0 0 18 18"
          class="mt-0.5 size-[18px]"
          role="img"
          :aria-label="`${one.done} of ${one.of} done`"
        >
          <rect
            x="1"
            y="1"
            width="16"
            height="16"
            fill="none"
            stroke="var(--ink)"
            stroke-width="1.5"
          />
          <rect
            v-if="one.done"
            x="4"
            :y="14 - (10 * one.done) / one.of"
            width="10"
            :height="(10 * one.done) / one.of"
            fill="var(--ink)"
          />
        </svg>
        <div>
          <span :class="{ 'font-semibold': one.kind !== 'pass' }">{{ one.name }}</span>
          <span v-if="one.note" class="text-14 text-soft"> · {{ one.note }}</span>
          <p
            v-for="each in one.cautions"
            :key="each.words"
            class="max-w-[70ch] text-14"
            :class="{ 'font-semibold': each.serious }"
          >
            {{ each.words }}
          </p>
        </div>
        <span class="fig whitespace-nowrap text-soft"
          >{{ one.of }} × {{ one.minutes }} min<template v-if="one.of > 1">
            = {{ hours(one.of * one.minutes * 60) }}</template
          ></span
        >
      </li>
    </ol>
  </section>
</template>
