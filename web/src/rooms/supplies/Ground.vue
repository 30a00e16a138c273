<script setup lang="ts">
import { ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'

/** What a piece of ground takes: paste by its parts, grass and ballast. */
const muster = useMuster()
const length = ref(24)
const width = ref(15)
const depth = ref(2)
const pieces = ref(1)
const grass = ref(50)
const ballast = ref(0)
const parts = ref<Record<string, number>>({ plaster: 3, paint: 1, 'white glue': 1, water: 1 })
const found = ref<Schemas['Ground'] | null>(null)

async function reckon() {
  const body = {
    area_cm2: length.value * width.value * pieces.value,
    depth_mm: depth.value,
    parts: parts.value,
    grass: grass.value / 100,
    ballast: ballast.value / 100,
  }
  found.value = await muster.attempt(() => told(client.POST('/api/ground', { body })))
}
</script>

<template>
  <section class="mt-6 border-t border-rule pt-2 print:hidden" aria-labelledby="ground">
    <h2 id="ground">Ground for bases and terrain</h2>
    <form class="mt-1 flex flex-wrap items-end gap-3" @submit.prevent="reckon">
      <label class="grid gap-1 text-14"
        >Pieces
        <input v-model.number="pieces" class="field fig w-20" type="number" min="1" max="999"
      /></label>
      <label class="grid gap-1 text-14"
        >length, cm
        <input v-model.number="length" class="field fig w-24" type="number" min="0.1" step="any"
      /></label>
      <label class="grid gap-1 text-14"
        >width, cm
        <input v-model.number="width" class="field fig w-24" type="number" min="0.1" step="any"
      /></label>
      <label class="grid gap-1 text-14"
        >deep, mm
        <input v-model.number="depth" class="field fig w-24" type="number" min="0" step="any"
      /></label>
      <label v-for="(_, one) in parts" :key="one" class="grid gap-1 text-14"
        >{{ one }}, parts
        <input v-model.number="parts[one]" class="field fig w-20" type="number" min="0" step="any"
      /></label>
      <label class="grid gap-1 text-14"
        >grass on, %
        <input v-model.number="grass" class="field fig w-20" type="number" min="0" max="100"
      /></label>
      <label class="grid gap-1 text-14"
        >ballast on, %
        <input v-model.number="ballast" class="field fig w-20" type="number" min="0" max="100"
      /></label>
      <button class="btn">Reckon</button>
    </form>
    <div v-if="found" class="mt-2" role="status">
      <p class="fig">
        <b>{{ found.paste_ml.toFixed(0) }} ml</b> of paste for {{ found.area_cm2.toFixed(0) }} cm²:
        {{
          Object.entries(found.parts_ml)
            .map(([one, ml]) => `${ml.toFixed(0)} ml ${one}`)
            .join(', ')
        }}.
      </p>
      <p v-if="found.grass_g || found.ballast_ml" class="fig">
        <template v-if="found.grass_g">{{ found.grass_g.toFixed(1) }} g of static grass, </template
        ><template v-if="found.ballast_ml"
          >{{ found.ballast_ml.toFixed(0) }} ml of ballast, </template
        >{{ found.glue_ml.toFixed(1) }} ml of white glue under it.
      </p>
      <p class="text-14 text-soft">
        Plaster dust: mix it outdoors or with a mask on, and follow the label.
      </p>
    </div>
  </section>
</template>
