<script setup lang="ts">
import { computed } from 'vue'
import type { CallCard } from '../../api/client'
import { useMuster } from '../../muster'
import { placeWords, type Rail } from './callDrag'
import { proofWords } from './proofs'

/** The chosen call: when, why there, when it is dry; taken up, its legal places as buttons. */
const props = defineProps<{
  card: CallCard
  proofs: (number | null)[]
  held: boolean
  rails: Rail[]
  aim: number | null
  still: boolean
}>()
const emit = defineEmits<{ take: []; drop: [index: number]; leave: [] }>()

const muster = useMuster()
const places = computed(() => props.rails.map((rail) => rail.place))

/** A moment with its day where that is not the day of the call's start. */
function at(iso: string): string {
  const day = muster.day(iso)
  return day === muster.day(props.card.start ?? iso) ? muster.clock(iso) : `${day} ${muster.clock(iso)}`
} // prettier-ignore

function free() {
  void muster.command({ do: 'pin_call', call: props.card.id, start: null, slack_s: 0 })
}
</script>

<template>
  <section class="min-w-0" aria-live="polite" aria-label="The chosen call">
    <div class="flex items-baseline justify-between gap-4">
      <h2>
        {{ card.tray_name }} · {{ card.name }}<template v-if="card.mix">, {{ card.mix }}</template>
        <template v-if="card.start && card.end">
          · {{ muster.day(card.start) }} {{ muster.clock(card.start) }} to
          {{ at(card.end) }}</template
        >
      </h2>
      <div v-if="!still" class="flex shrink-0 gap-3">
        <button v-if="card.pinned" class="link" @click="free">Unpin</button>
        <button v-if="!held" class="link" @click="emit('take')">Move … <b class="kbd">M</b></button>
      </div>
    </div>
    <template v-if="held">
      <p class="text-14 text-soft">
        Drop it on a rail, or choose: left and right, Enter; Escape leaves it.
      </p>
      <p v-if="!places.length" role="status">Trying each sitting …</p>
      <ul class="mt-1 flex flex-wrap gap-x-5" aria-label="Places of this call">
        <li v-for="(place, index) in places" :key="place.pin">
          <button
            class="link min-h-9 text-left"
            :class="{ 'font-bold': index === aim }"
            @click="emit('drop', index)"
          >
            {{ muster.day(place.start) }} {{ muster.clock(place.start) }}: {{ placeWords(place) }}
          </button>
        </li>
        <li><button class="link" @click="emit('leave')">Leave it</button></li>
      </ul>
    </template>
    <ul v-else class="mt-1">
      <li
        v-for="(one, index) in card.why"
        :key="one"
        class="flex gap-3 before:shrink-0 before:content-['–']"
      >
        <span
          >{{ muster.said(one)
          }}<span class="text-soft">{{ proofWords(proofs[index]) }}</span></span
        >
      </li>
      <li
        v-if="card.dry_from && card.dry_to"
        class="flex gap-3 before:shrink-0 before:content-['–']"
      >
        <span
          >first model dry <b>{{ at(card.dry_from) }}</b>, the tray
          <b>{{ at(card.dry_to) }}</b></span
        >
      </li>
    </ul>
  </section>
</template>
