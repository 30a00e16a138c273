<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { useShelf } from '../../shelf'
import type { Mixing } from './mixing'
import OneMetre from './OneMetre.vue'

/** How much for a call; the pot as it was really mixed; both colours from one metre. */
const props = defineProps<{ mixing: Mixing }>()
const { drops, target, predicted } = props.mixing
const muster = useMuster()
const shelf = useShelf()
const name = ref('')
const which = ref('')
const tray = ref<Schemas['TrayOut'] | null>(null)
const away = ref(false)

const calls = computed(() =>
  (muster.view?.board.calls ?? []).filter(
    (one) => one.mix && one.done_models.length < one.models.length,
  ),
)
const call = computed(() => calls.value.find((one) => one.id === which.value))

watch([call, () => JSON.stringify(drops.value)], async () => {
  tray.value = null
  const one = call.value
  const id = muster.view?.id
  if (!one || id === undefined || !drops.value.length) return
  const body = {
    muster: id,
    unit: one.unit,
    key: one.pass_keys[0] ?? '',
    models: one.models.length - one.done_models.length,
    parts: drops.value.map((each) => each.drops),
  }
  tray.value = await told(client.POST('/api/mix/tray', { body })).catch(() => null)
})

function fill() {
  const found = tray.value
  if (!found) return
  drops.value = drops.value.map((one, n) => ({ ...one, drops: found.drops[n] ?? one.drops }))
}

async function save() {
  const body = {
    name: name.value.trim(),
    target: target.value,
    note: '',
    drops: drops.value.map(({ paint, drops: many }) => ({ paint, drops: many })),
  }
  if (!(await shelf.pot(() => told(client.POST('/api/pots', { body }))))) return
  name.value = ''
  await shelf.load()
}
</script>

<template>
  <div class="mt-3">
    <label class="flex flex-wrap items-center gap-2"
      >For
      <select v-model="which" class="field min-w-0 flex-1">
        <option value="">a call: choose it</option>
        <option v-for="one in calls" :key="one.id" :value="one.id">
          {{ one.tray_name }}: {{ one.name }}
        </option>
      </select></label
    >
    <p v-if="tray" class="fig mt-1" role="status">
      <b>{{ tray.drops.reduce((sum, one) => sum + one, 0) }} drops, {{ tray.ml }} ml</b>:
      {{ tray.drops.map((many, n) => `${many} ${drops[n]?.name ?? ''}`).join(', ') }}
      <button class="link" @click="fill">Put them in</button>
    </p>
    <form class="mt-2 flex flex-wrap items-center gap-3" @submit.prevent="save">
      <label class="min-w-40 flex-1 basis-full"
        ><span class="sr-only">Save it as a pot</span>
        <input
          v-model="name"
          class="field w-full"
          required
          maxlength="60"
          placeholder="name of the pot"
      /></label>
      <button class="btn btn-main">Save the pot</button>
      <button class="btn" type="button" @click="away = true">One metre</button>
    </form>
    <OneMetre
      v-if="away"
      :meant="target"
      :mixed="predicted?.colour ?? null"
      @close="away = false"
    />
  </div>
</template>
