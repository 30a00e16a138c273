<script setup lang="ts">
import { computed, ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import Patch from '../../parts/Patch.vue'
import { useShelf } from '../../shelf'
import type { Mixing } from './mixing'
import ActButton from '../../parts/ActButton.vue'

/** Patches of a camouflage: which merge, what each filter does, what share a mist covers. */
const props = defineProps<{ mixing: Mixing }>()
const shelf = useShelf()
const muster = useMuster()
const patches = ref<string[]>([])
const paints = ref<number[]>([])
const found = ref<Schemas['PatchesOut'] | null>(null)
const named = computed(() =>
  paints.value.map((id) => shelf.colours.find((one) => one.id === id)?.paint.name ?? ''),
)

function add() {
  const colour = props.mixing.target.value
  if (!patches.value.includes(colour) && patches.value.length < 6) patches.value.push(colour)
}

function filter(event: Event) {
  const field = event.target as HTMLSelectElement
  const id = Number(field.value)
  if (id && !paints.value.includes(id)) paints.value.push(id)
  field.value = ''
}

async function judge() {
  const body = { patches: patches.value, paints: paints.value, tier: 'table' as const }
  found.value = await muster.attempt(() => told(client.POST('/api/colour/patches', { body })))
}

function clear() {
  patches.value = []
  paints.value = []
  found.value = null
}
</script>

<template>
  <div class="my-2 flex flex-wrap items-end gap-3">
    <button class="btn" @click="add">This colour as a patch</button>
    <span class="flex"><Patch v-for="one in patches" :key="one" :colour="one" /></span>
    <label class="grid gap-1 text-14"
      >Filters to try
      <select class="field w-44" @change="filter">
        <option value="">choose</option>
        <option v-for="one in shelf.colours" :key="one.id" :value="one.id">
          {{ one.paint.name }}
        </option>
      </select></label
    >
    <span class="text-14">{{ named.join(', ') }}</span>
    <ActButton :why="patches.length ? null : 'add a colour first'" @press="judge">
      Judge them
    </ActButton>
    <button v-if="patches.length" class="link" @click="clear">Clear</button>
  </div>
  <div v-if="found" class="fig text-14" role="status">
    <p v-for="one in found.apart" :key="one.one + one.two" class="flex items-center gap-2">
      <Patch :colour="one.one" /><Patch :colour="one.two" />
      <b>{{ one.difference.toFixed(1) }}</b> apart; bands finer than {{ one.least_mm }} mm merge
      from 1 m
    </p>
    <p v-if="found.mist">
      A mist of the first over <b>{{ Math.round(found.mist * 100) }} %</b> of the surface draws them
      a quarter together.
    </p>
    <p v-for="one in found.filters" :key="one.paint + one.patch" class="flex items-center gap-2">
      <Patch :colour="one.patch" /> {{ one.paint }}: chroma {{ one.chroma >= 0 ? '+' : ''
      }}{{ one.chroma }}, lightness {{ one.lightness >= 0 ? '+' : '' }}{{ one.lightness }}, moved
      {{ one.moved }}
    </p>
  </div>
</template>
