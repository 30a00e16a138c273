<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import Patch from '../../parts/Patch.vue'
import type { Mix } from '../../shelf'
import Camouflage from './Camouflage.vue'
import { saidOf as said, type Mixing } from './mixing'
import ActButton from '../../parts/ActButton.vue'

/** From one colour to more: a ramp, variants, lightening for scale, accents that should be alike. */
const props = defineProps<{ mixing: Mixing }>()
const { target, drops } = props.mixing
const muster = useMuster()
const ramp = ref<Schemas['RampOut'] | null>(null)
const turn = ref(0)
const models = ref(6)
const spread = ref(2)
const seed = ref(1)
const variants = ref<Mix[]>([])
const accents = ref<Schemas['AccentOut'][] | null>(null)

const scales = computed(() => [...new Set((muster.view?.roll ?? []).map((row) => row.unit.scale))])

watch(target, () => (ramp.value = null))

async function climb() {
  const body = { base: target.value, shades: 1, lights: 2, hue_shift: turn.value }
  ramp.value = await muster.attempt(() => told(client.POST('/api/colour/ramp', { body })))
}

async function vary() {
  const body = {
    drops: drops.value.map(({ paint, drops: many }) => ({ paint, drops: many })),
    models: models.value,
    spread: spread.value,
    seed: seed.value,
  }
  variants.value =
    (await muster.attempt(() => told(client.POST('/api/colour/variants', { body })))) ?? []
}

async function lighten(scale: number) {
  const query = { colour: target.value, scale }
  const found = await muster.attempt(() =>
    told(client.GET('/api/colour/scaled', { params: { query } })),
  )
  if (!found) return
  target.value = found.colour
  await props.mixing.match()
}

async function compare() {
  const path = { muster_id: muster.view?.id ?? 0 }
  accents.value = await muster.attempt(() =>
    told(client.GET('/api/musters/{muster_id}/accents', { params: { path } })),
  )
}
</script>

<template>
  <details class="mt-6 border-t border-rule pt-2">
    <summary class="min-h-11 cursor-pointer content-center">
      From this colour: a ramp, variants, camouflage, scale, accents
    </summary>
    <div class="my-2 flex flex-wrap items-end gap-3">
      <label class="grid gap-1 text-14"
        >Lights turn towards yellow by
        <select v-model.number="turn" class="field fig">
          <option :value="0">nothing</option>
          <option :value="5">5° a step</option>
          <option :value="10">10° a step</option>
        </select></label
      >
      <button class="btn" @click="climb">Shade, base and lights</button>
    </div>
    <ul v-if="ramp" aria-label="Ramp">
      <li v-for="(one, n) in ramp.mixes" :key="n" class="fig flex min-h-11 items-center gap-3">
        <Patch :colour="one.colour" :width="88" />
        <span class="w-14">{{
          n < ramp.base ? 'shade' : n === ramp.base ? 'base' : `light ${n - ramp.base}`
        }}</span>
        <button class="link" @click="mixing.take(one)">{{ said(one) }}</button>
      </li>
      <li v-if="ramp.warning" class="text-14">
        <span class="warn">Beware</span>: {{ ramp.warning }}.
      </li>
    </ul>
    <div class="my-2 flex flex-wrap items-end gap-3">
      <label class="grid gap-1 text-14"
        >Variants for models
        <input v-model.number="models" class="field fig w-24" type="number" min="1" max="60"
      /></label>
      <label class="grid gap-1 text-14"
        >apart at most
        <input
          v-model.number="spread"
          class="field fig w-24"
          type="number"
          min="0.5"
          max="10"
          step="0.5"
      /></label>
      <label class="grid gap-1 text-14"
        >throw <input v-model.number="seed" class="field fig w-24" type="number" min="0"
      /></label>
      <ActButton :why="drops.length ? null : 'find or set a mix first'" @press="vary">
        So that they differ a little
      </ActButton>
    </div>
    <ol v-if="variants.length" aria-label="Variants" class="flex flex-wrap gap-x-6">
      <li v-for="(one, n) in variants" :key="n" class="fig flex min-h-9 items-center gap-2 text-14">
        <b class="w-5 text-right">{{ n + 1 }}</b><Patch :colour="one.colour" /> {{ said(one) }}
      </li>
    </ol>
    <Camouflage :mixing="mixing" />
    <div class="my-2 flex flex-wrap items-center gap-3">
      <button v-for="scale in scales" :key="scale" class="btn" @click="lighten(scale)">
        Lighten for 1/{{ scale }}
      </button>
      <span class="text-14 text-soft"
        >A rule of thumb that schools dispute: air pales what is far.</span
      >
    </div>
    <button class="btn" @click="compare">Accents across the muster</button>
    <ul v-if="accents" class="fig mt-1 text-14" aria-label="Accents">
      <li v-for="one in accents" :key="one.one + one.two">
        <b>{{ one.difference.toFixed(1) }}</b> apart: {{ one.one }} and {{ one.two }}
      </li>
      <li v-if="!accents.length">Passes of the same name have the same colour throughout.</li>
    </ul>
  </details>
</template>
