<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { useShelf } from '../../shelf'
import type { Mixing } from './mixing'

/** How much for a tray; and the pot as it was really mixed. */
const props = defineProps<{ mixing: Mixing }>()
const { drops, target } = props.mixing
const muster = useMuster()
const shelf = useShelf()
const name = ref('')
const which = ref('')
const tray = ref<Schemas['TrayOut'] | null>(null)

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
  <div class="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2 border-t border-rule pt-3">
    <label class="grid gap-1 text-14"
      >Mix for a call
      <select v-model="which" class="field w-56">
        <option value="">choose a call</option>
        <option v-for="one in calls" :key="one.id" :value="one.id">
          {{ one.tray_name }}: {{ one.name }}
        </option>
      </select></label
    >
    <p v-if="tray" class="fig pb-2">
      <b>{{ tray.ml }} ml</b>: {{ tray.drops.join(' + ') }} drops
      <button class="link" @click="fill">Put them in</button>
    </p>
    <form class="flex items-end gap-3" @submit.prevent="save">
      <label class="grid gap-1 text-14"
        >Save it as a pot
        <input
          v-model="name"
          class="field w-44"
          required
          maxlength="60"
          placeholder="name of the pot"
      /></label>
      <button class="btn">Save the pot</button>
    </form>
  </div>
</template>
