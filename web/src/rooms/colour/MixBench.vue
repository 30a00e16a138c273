<script setup lang="ts">
import Patch from '../../parts/Patch.vue'
import BeadRows from './BeadRows.vue'
import LadderView from './LadderView.vue'
import { saidOf as said, type Mixing } from './mixing'
import SplitField from './SplitField.vue'
import TargetLine from './TargetLine.vue'

/** Meant and mixed in one field, drops as beads, the ladder of coats. */
const props = defineProps<{ mixing: Mixing }>()
const { target, drops, varnish, predicted, additions, total } = props.mixing
</script>

<template>
  <section aria-labelledby="mixing">
    <h2 id="mixing" class="sr-only">Mixing bench</h2>
    <TargetLine :mixing="mixing" />
    <SplitField class="mt-2" :meant="target" :mixed="predicted?.colour ?? null" />
    <BeadRows v-if="drops.length" class="mt-3" :mixing="mixing" />
    <p v-else class="mt-3 bg-paper px-4 py-3 text-soft">
      Nothing in the pot: find a mix, or put drops in from the shelf with +1.
    </p>
    <div v-if="drops.length" class="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1 text-14">
      <span class="fig"
        ><b>{{ total }}</b> {{ total === 1 ? 'drop' : 'drops' }}</span
      >
      <label class="flex items-center gap-2"
        >varnish in it
        <select v-model.number="varnish" class="field fig">
          <option :value="0">none</option>
          <option :value="0.1">10 %</option>
          <option :value="0.2">20 %</option>
          <option :value="0.3">30 %</option>
        </select></label
      >
      <span v-if="predicted?.varnish_drops" class="fig"
        >and <b>{{ predicted.varnish_drops }}</b> drops of varnish, kept apart</span
      >
      <button class="link" @click="mixing.reach">What to add to come nearer</button>
    </div>
    <ul v-if="additions.length" class="mt-1 text-14" aria-label="What to add">
      <li v-for="one in additions" :key="said(one)" class="fig flex items-center gap-3">
        <Patch :colour="one.colour" />
        <button v-if="one.drops.length" class="link" @click="mixing.pour(one)">
          add {{ said(one) }}
        </button>
        <span v-else>nothing to add</span>
        <span class="text-soft">{{ one.difference.toFixed(1) }} apart</span>
      </li>
    </ul>
    <LadderView v-if="predicted" :ladders="predicted.ladders" :hides="predicted.hides_after" />
  </section>
</template>
