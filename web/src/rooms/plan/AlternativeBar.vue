<script setup lang="ts">
import { computed } from 'vue'
import type { View } from '../../api/client'
import { useMuster } from '../../muster'
import { begun } from '../../words'
import { difference, type useAlternatives } from './alternatives'

/** What a plan that is tried would be beside this one; taken, kept, or left. */
const props = defineProps<{ others: ReturnType<typeof useAlternatives>; view: View }>()

const muster = useMuster()
const tried = computed(() => props.others.tried.value)
const said = computed(() => (tried.value ? difference(tried.value, props.view, muster.day) : []))
const isKept = computed(() =>
  props.others.kept.value.some((one) => one.name === tried.value?.offer.words),
)
</script>

<template>
  <section
    v-if="tried"
    class="flex flex-wrap items-center gap-x-5 border-y-2 border-ink py-1"
    aria-label="A plan beside the plan"
    role="status"
  >
    <p class="min-w-0 flex-1">
      <b>Only tried: {{ begun(tried.offer.words) }}.</b>{{ ' ' }}
      <template v-if="said.length"
        ><template v-for="(one, index) in said" :key="one.words"
          ><template v-if="index"> · </template
          ><span :class="{ warn: one.warn }">{{ index ? one.words : begun(one.words) }}</span>
        </template></template
      ><template v-else> It comes to the same.</template>
      <span class="text-soft"> Dashed: where calls stand now.</span>
    </p>
    <span class="flex gap-3">
      <button class="btn btn-main" @click="others.take(tried.offer)">Take it</button>
      <button v-if="!isKept" class="btn" @click="others.keep(tried.offer)">Keep beside</button>
      <button class="btn" @click="others.leave()">Leave it</button>
    </span>
  </section>
</template>
