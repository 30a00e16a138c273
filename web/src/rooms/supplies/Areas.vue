<script setup lang="ts">
import { ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'

/** The painted surface of a model of each unit: by kind and scale, typed, or from a mesh. */
defineProps<{ areas: Schemas['UnitArea'][] }>()
const muster = useMuster()
const mesh = ref<Schemas['MeshOut'] | null>(null)
const unit = ref('')
const unitOf = ref('mm')
const scale = ref(1)
const box = ref([5.5, 2.4, 2.3])

async function choose(event: Event) {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  const row = muster.view?.roll.find((one) => one.unit.id === unit.value)
  if (!file || !row) return
  const data = new FormData()
  data.append('file', file)
  data.append('file_scale', String(scale.value))
  data.append('scale', String(row.unit.scale))
  data.append('unit', unitOf.value)
  const body = { file: '', file_scale: 1, scale: 72, unit: 'mm' }
  mesh.value = await muster.attempt(() =>
    told(client.POST('/api/mesh', { body, bodySerializer: () => data })),
  )
}

async function byBox() {
  const row = muster.view?.roll.find((one) => one.unit.id === unit.value)
  if (!row) return
  const [length = 0, width = 0, height = 0] = box.value
  const body = { kind: row.unit.kind, scale: row.unit.scale, length, width, height }
  const found = await muster.attempt(() => told(client.POST('/api/area', { body })))
  if (found) await set(row.unit.id, found.area_cm2)
}

async function set(id: string, area: number) {
  const done = await muster.command({ do: 'edit_unit', unit: id, area_cm2: area } as Parameters<
    typeof muster.command
  >[0])
  if (done) mesh.value = null
}
</script>

<template>
  <section class="mt-6 border-t border-rule pt-2 print:hidden" aria-labelledby="areas">
    <h2 id="areas">Painted surface of one model</h2>
    <ul>
      <li
        v-for="one in areas"
        :key="one.unit"
        class="fig flex min-h-11 flex-wrap items-center gap-4 border-b border-rule"
      >
        <span class="w-44">{{ one.name }}</span>
        <label class="flex items-center gap-2"
          ><input
            class="field fig w-28"
            type="number"
            min="0"
            step="any"
            :aria-label="`${one.name}, cm²`"
            :value="one.area_cm2"
            @change="set(one.unit, Number(($event.target as HTMLInputElement).value))"
          />
          cm²</label
        >
        <span class="text-14 text-soft">{{ one.measured ? 'yours' : 'by kind and scale' }}</span>
        <button v-if="one.measured" class="link" @click="set(one.unit, 0)">
          By kind and scale
        </button>
      </li>
    </ul>
    <div class="mt-3 flex flex-wrap items-end gap-3">
      <label class="grid gap-1 text-14"
        >From a mesh, for
        <select v-model="unit" class="field">
          <option value="">choose a unit</option>
          <option v-for="one in areas" :key="one.unit" :value="one.unit">{{ one.name }}</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >drawn in
        <select v-model="unitOf" class="field">
          <option>mm</option>
          <option>cm</option>
          <option>inch</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >at 1/
        <input v-model.number="scale" class="field fig w-24" type="number" min="1" step="any"
      /></label>
      <label class="btn cursor-pointer focus-within:outline-2" :class="{ 'text-soft': !unit }"
        >Choose an STL<input
          type="file"
          accept=".stl"
          class="sr-only"
          :disabled="!unit"
          :title="unit ? undefined : 'Choose a unit first'"
          @change="choose"
      /></label>
    </div>
    <form class="mt-2 flex flex-wrap items-end gap-3" @submit.prevent="byBox">
      <label
        v-for="(word, n) in ['length', 'width', 'height']"
        :key="word"
        class="grid gap-1 text-14"
        >{{ n ? word : `or the real ${word}` }}, m
        <input v-model.number="box[n]" class="field fig w-28" type="number" min="0.1" step="any"
      /></label>
      <button class="btn" :disabled="!unit" :title="unit ? undefined : 'Choose a unit first'">
        By its box
      </button>
    </form>
    <div v-if="mesh" class="mt-2" role="status">
      <p class="fig">
        <b>{{ mesh.area_cm2 }} cm²</b>, {{ mesh.size_mm.join(' × ') }} mm, {{ mesh.faces }} faces
        <button class="btn ml-3" @click="set(unit, mesh.area_cm2)">Use it</button>
      </p>
      <p v-for="one in mesh.warnings" :key="one" class="text-14">
        <span class="warn">Beware</span>: {{ one }}.
      </p>
    </div>
  </section>
</template>
