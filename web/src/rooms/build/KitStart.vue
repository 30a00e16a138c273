<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { count } from '../../words'

/** A kit to start from: one built before, or a template. */
const props = defineProps<{ row: Schemas['BuildRow'] }>()
const emit = defineEmits<{ start: [kit: Schemas['Kit']] }>()

const muster = useMuster()
const kits = ref<Schemas['KitsOut'] | null>(null)
const name = ref('')

watch(
  () => props.row.unit,
  async () => {
    name.value = props.row.name
    const params = { query: { of: props.row.kind as 'vehicle' } }
    const found = await muster.attempt(() => told(client.GET('/api/build/kits', { params })))
    if (found) kits.value = found
  },
  { immediate: true },
)
const fitting = computed(
  () =>
    kits.value?.templates.filter((one) => one.kinds.includes(props.row.kind as 'vehicle')) ?? [],
)
const others = computed(
  () =>
    kits.value?.templates.filter((one) => !one.kinds.includes(props.row.kind as 'vehicle')) ?? [],
)
const size = (kit: Schemas['Kit']) =>
  `${count(kit.parts.length, 'part')}, ${count(kit.joints?.length ?? 0, 'joint')}`

function start(kit: Schemas['Kit'], keepName: boolean) {
  emit('start', keepName ? kit : { ...kit, name: name.value.trim() || kit.name })
}
</script>

<template>
  <section v-if="kits" aria-label="Start">
    <p class="max-w-[70ch]">
      <b>{{ row.name }}</b> are painted of one piece so far. Say of what parts they are made: Build
      works out what to leave apart, and what must come before what.
    </p>
    <label class="mt-3 grid w-full max-w-[340px] gap-1 text-14"
      >Name of the kit
      <input v-model="name" class="field" maxlength="60" />
    </label>
    <template v-if="kits.known.length">
      <h2 class="mt-4">Built before</h2>
      <ul class="mt-2 flex flex-wrap gap-3">
        <li v-for="kit in kits.known" :key="kit.name">
          <button class="btn" @click="start(kit, true)">
            {{ kit.name }} <span class="text-14 font-normal text-soft">{{ size(kit) }}</span>
          </button>
        </li>
      </ul>
    </template>
    <h2 class="mt-4">From a template</h2>
    <ul class="mt-2 flex flex-wrap gap-3">
      <li v-for="one in fitting" :key="one.id">
        <button class="btn" @click="start(one.kit, false)">
          {{ one.name }} <span class="text-14 font-normal text-soft">{{ size(one.kit) }}</span>
        </button>
      </li>
    </ul>
    <details v-if="others.length" class="mt-3">
      <summary class="min-h-11 cursor-pointer py-2">Templates for other kinds</summary>
      <ul class="mt-2 flex flex-wrap gap-3">
        <li v-for="one in others" :key="one.id">
          <button class="btn" @click="start(one.kit, false)">
            {{ one.name }} <span class="text-14 font-normal text-soft">{{ size(one.kit) }}</span>
          </button>
        </li>
      </ul>
    </details>
  </section>
</template>
