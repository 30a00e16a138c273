<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { useUpload } from '../../upload'

/** A print from its scale to ours: how large, what is too thin, how many on the plate. */
const props = defineProps<{ scale: number }>()

const muster = useMuster()
const row = reactive({
  file_scale: 30,
  scale: props.scale,
  printer: 'resin' as 'resin' | 'filament',
  plate: 'small resin',
  size: '',
  walls: '1.5',
  rods_in_file: '1.2',
  rods: '',
  face: '',
})
const found = ref<Schemas['RescaleOut'] | null>(null)
const numbers = (text: string) =>
  text.split(/[\s,×x]+/).filter(Boolean).map(Number).filter((one) => one > 0) // prettier-ignore

const members = computed(() => [
  ...numbers(row.walls).map((mm) => ({ name: 'wall', member: 'wall' as const, mm })),
  ...numbers(row.rods_in_file).map((mm) => ({ name: 'rod', member: 'rod' as const, mm })),
])

async function work() {
  const size = numbers(row.size)
  const face = numbers(row.face)
  const body = {
    file_scale: row.file_scale, scale: row.scale, printer: row.printer, plate: row.plate,
    members: members.value,
    size_mm: size.length === 3 ? (size as [number, number, number]) : null,
    rods_mm: numbers(row.rods),
    face_mm: face.length === 2 ? (face as [number, number]) : null,
  } // prettier-ignore
  const next = await muster.attempt(() => told(client.POST('/api/build/rescale', { body })))
  if (next) found.value = next as Schemas['RescaleOut']
}

const { preview, choose } = useUpload(
  (form) => {
    const { bodySerializer } = form
    const more = () => {
      const data = bodySerializer()
      for (const key of ['file_scale', 'scale', 'printer'] as const)
        data.append(key, String(row[key]))
      return data
    }
    const body = { ...form.body, file_scale: row.file_scale, scale: row.scale, printer: row.printer, unit: 'mm' as const } // prettier-ignore
    return told(client.POST('/api/build/rescale/mesh', { body, bodySerializer: more }))
  },
  () => Promise.resolve(null),
)
void work()
</script>

<template>
  <section aria-label="Rescale a print" class="mt-4 border-t-2 border-ink pt-3">
    <h2>Rescale a print</h2>
    <form class="mt-2 flex flex-wrap items-end gap-3" @submit.prevent="work">
      <label class="grid gap-1 text-14"
        >Drawn at 1/
        <input
          v-model.number="row.file_scale"
          class="field w-24"
          type="number"
          min="0.1"
          max="1000"
          step="any"
      /></label>
      <label class="grid gap-1 text-14"
        >Printed at 1/
        <input
          v-model.number="row.scale"
          class="field w-24"
          type="number"
          min="1"
          max="1000"
          step="any"
      /></label>
      <label class="grid gap-1 text-14"
        >Printer
        <select v-model="row.printer" class="field">
          <option>resin</option>
          <option>filament</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >Plate
        <select v-model="row.plate" class="field">
          <option v-for="one in found?.plates ?? [row.plate]" :key="one">{{ one }}</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >Box in the file, mm <input v-model="row.size" class="field w-40" placeholder="160 90 75"
      /></label>
      <label class="grid gap-1 text-14"
        >Rods in life, mm <input v-model="row.rods" class="field w-32" placeholder="50 100"
      /></label>
      <label class="grid gap-1 text-14"
        >Face for a magnet, wide and deep, mm
        <input v-model="row.face" class="field w-32" placeholder="6 4"
      /></label>
      <label class="grid gap-1 text-14"
        >Walls in the file, mm <input v-model="row.walls" class="field w-32"
      /></label>
      <label class="grid gap-1 text-14"
        >Rods in the file, mm <input v-model="row.rods_in_file" class="field w-32"
      /></label>
      <button class="btn">Work it out</button>
      <label class="btn cursor-pointer focus-within:outline-2"
        >Measure an STL …<input type="file" accept=".stl" class="sr-only" @change="choose"
      /></label>
    </form>
    <div v-if="found" class="fig mt-3 grid gap-1" role="status">
      <p>
        To <b>{{ found.percent }} %</b>; walls of at least <b>{{ found.least_wall_mm }} mm</b>, rods
        of at least <b>{{ found.least_rod_mm }} mm</b>
        <span class="text-soft">(common practice: your printer’s own figures come first)</span>
      </p>
      <p v-for="one in found.members" :key="one.name + one.mm">
        A {{ one.name }}: <b>{{ one.mm }} mm</b>
        <template v-if="one.to_mm">
          is too thin: to {{ one.to_mm }} mm, that is <b>{{ one.in_file_mm }} mm</b> in the file,
          {{ one.times?.toFixed(1) }} times what it is</template
        >
        <template v-else> comes out</template>
      </p>
      <p v-if="found.size_mm">
        Printed {{ found.size_mm.join(' × ') }} mm; <b>{{ found.on_plate || 'none' }}</b> on the
        plate{{ found.on_plate ? '' : ': it does not fit' }}
      </p>
      <p v-for="one in found.rods" :key="one.at_scale_mm">
        {{ one.at_scale_mm }} mm at scale: a rod of <b>{{ one.rod_mm }} mm</b>, drill
        <b>{{ one.drill_mm }} mm</b>
      </p>
      <p v-if="row.face && found.magnet">
        Magnet <b>{{ found.magnet.diameter_mm }} × {{ found.magnet.height_mm }} mm</b>, drill
        {{ found.magnet.drill_mm }} mm, {{ found.magnet.depth_mm }} mm deep
      </p>
    </div>
    <div v-if="preview" class="fig mt-3" role="status">
      <p>
        The mesh stands {{ preview.size_mm.map((one) => one.toFixed(1)).join(' × ') }} mm; its
        thinnest place is <b>{{ preview.least_mm.toFixed(2) }} mm</b>.
        <b v-if="!preview.places.length">Nothing in it is too thin.</b>
        <span v-if="!preview.closed"> It has holes: what lies behind them was not measured.</span>
      </p>
      <ul v-if="preview.places.length">
        <li v-for="one in preview.places" :key="one.at_mm.join()">
          A {{ one.member }} of <b>{{ one.mm.toFixed(2) }} mm</b> at {{ one.at_mm.join(' · ') }} mm
          from its corner: to {{ one.to_mm }} mm, {{ one.in_file }} mm in the file
        </li>
      </ul>
    </div>
  </section>
</template>
