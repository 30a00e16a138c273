<script setup lang="ts">
import type { Schemas } from '../../api/client'
import Relief from './Relief.vue'
import Wait from './Wait.vue'

/** The passes of a recipe that is held, from the last to the first, as the rows around them. */
defineProps<{ passes: Schemas['InnerPass'][]; zone: string }>()
const lookOf = (one: Schemas['InnerPass'], zone: string) =>
  one.appearances[zone] ?? Object.values(one.appearances)[0]
</script>

<template>
  <ol class="border-l border-key pl-3" reversed>
    <li
      v-for="one in [...passes].reverse()"
      :key="one.key"
      class="grid min-h-10 grid-cols-[minmax(0,1fr)_58px_128px_98px] items-center gap-3 max-md:grid-cols-[minmax(0,1fr)_auto]"
    >
      <span class="min-w-0">
        {{ one.name }}
        <span class="fig block truncate text-14 text-soft">{{ one.words }}</span>
      </span>
      <span class="fig text-right text-14">{{ Math.round(one.minutes * 10) / 10 }} min</span>
      <Wait v-if="one.wait" :words="one.wait" />
      <span v-else class="max-md:hidden" />
      <Relief v-if="lookOf(one, zone)" :look="lookOf(one, zone)!" />
    </li>
  </ol>
</template>
