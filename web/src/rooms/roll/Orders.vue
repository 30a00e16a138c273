<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas, UnitRow } from '../../api/client'
import ActButton from '../../parts/ActButton.vue'
import { useMuster } from '../../muster'

/** What this unit waits for: another unit, or a pass of it, done before it or a pass of it begins. */
const props = defineProps<{ row: UnitRow; recipes: Schemas['Recipe'][] }>()

const muster = useMuster()
const before = ref('')
const beforePass = ref('')
const afterPass = ref('')
const others = computed(
  () => muster.view?.roll.filter((one) => one.unit.id !== props.row.unit.id) ?? [],
)
const mine = computed(
  () => muster.view?.order.filter((one) => one.after === props.row.unit.id) ?? [],
)
const why = computed(() => {
  if (!others.value.length) return 'the roll has no other unit'
  return before.value ? null : 'choose the unit that comes first'
})

function passesOf(unit: string) {
  const row = muster.view?.roll.find((one) => one.unit.id === unit)
  return props.recipes.find((one) => one.id === row?.unit.recipe)?.passes ?? []
}

function nameOf(unit: string, key: string | null | undefined): string {
  const name = muster.view?.roll.find((one) => one.unit.id === unit)?.unit.name ?? unit
  if (!key) return name
  return `${passesOf(unit).find((one) => one.key === key)?.name ?? key} of ${name}`
}

async function add() {
  const done = await muster.command({
    do: 'set_order',
    before: before.value,
    after: props.row.unit.id,
    before_pass: beforePass.value || null,
    after_pass: afterPass.value || null,
  })
  if (done) before.value = beforePass.value = afterPass.value = ''
}
</script>

<template>
  <div class="w-full border-t border-rule pt-3">
    <ul v-if="mine.length" class="mb-2">
      <li v-for="one in mine" :key="JSON.stringify(one)" class="flex min-h-11 items-center gap-4">
        <span
          ><b>{{ nameOf(one.after, one.after_pass) }}</b> waits until
          <b>{{ nameOf(one.before, one.before_pass) }}</b> is done</span
        >
        <button class="link" @click="muster.command({ ...one, do: 'drop_order' })">
          Either may come first
        </button>
      </li>
    </ul>
    <form class="flex flex-wrap items-end gap-3" @submit.prevent>
      <label class="grid gap-1 text-14"
        >Begins with
        <select
          v-model="afterPass"
          class="field"
          :aria-label="`Pass of ${row.unit.name} that waits`"
        >
          <option value="">its first pass</option>
          <option v-for="one in passesOf(row.unit.id)" :key="one.key" :value="one.key">
            {{ one.name }}
          </option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >only after
        <select v-model="before" class="field" aria-label="Unit that comes first">
          <option value="">which unit?</option>
          <option v-for="one in others" :key="one.unit.id" :value="one.unit.id">
            {{ one.unit.name }}
          </option>
        </select></label
      >
      <label v-if="before" class="grid gap-1 text-14"
        >has had
        <select v-model="beforePass" class="field" aria-label="Pass that comes first">
          <option value="">every pass</option>
          <option v-for="one in passesOf(before)" :key="one.key" :value="one.key">
            {{ one.name }}
          </option>
        </select></label
      >
      <ActButton :why="why" @press="add">Say so</ActButton>
    </form>
  </div>
</template>
