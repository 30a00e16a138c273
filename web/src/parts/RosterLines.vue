<script setup lang="ts">
import { computed, ref } from 'vue'
import { client, told, type Schemas } from '../api/client'
import { useMuster } from '../muster'
import { useVocabulary } from '../vocabulary'
import { count } from '../words'
import ActButton from './ActButton.vue'

/** A roster pasted or read from a file: shown as it is understood, then taken whole or not at all. */
const props = defineProps<{ recipes: Schemas['Recipe'][]; busy?: boolean }>()
const emit = defineEmits<{ take: [rows: Schemas['RosterRow'][]]; leave: [] }>()
const text = defineModel<string>({ default: '' })

const muster = useMuster()
const vocabulary = useVocabulary()
const rows = ref<Schemas['RosterRow'][] | null>(null)
const models = computed(() => rows.value?.reduce((sum, one) => sum + one.count, 0) ?? 0)
const lack = computed(() => {
  const wrong = rows.value?.filter((one) => one.wrong).length ?? 0
  if (wrong) return `${count(wrong, 'line')} to mend above; nothing is added before`
  const unclear = rows.value?.find((one) => !one.kind)
  return unclear ? `choose the kind of ${unclear.name}` : null
})

async function read() {
  rows.value = await muster.attempt(() =>
    told(client.POST('/api/roster/read', { body: { text: text.value } })),
  )
}

async function choose(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  text.value = await file.text()
  await read()
}

function setKind(row: Schemas['RosterRow'], event: Event) {
  row.kind = (event.target as HTMLSelectElement).value
  row.recipe = props.recipes.find((one) => one.kind === row.kind)?.id ?? 'infantry-six'
}

/** The scale that a line has: its own, else that of the line before. */
function scale(index: number): string {
  const own = rows.value?.[index]?.scale
  if (own) return `1/${own}`
  const before = rows.value?.slice(0, index).reverse().find((one) => one.scale)?.scale
  return before ? `1/${before}, as above` : 'as the unit before'
} // prettier-ignore
</script>

<template>
  <section class="my-3 border-y border-rule py-3" aria-label="A roster">
    <label class="grid gap-1 text-14"
      >A unit a line, or a CSV with the columns count, name, kind, scale, recipe
      <textarea
        v-model="text"
        class="field min-h-28 py-2"
        rows="5"
        placeholder="24 pikes foot 1/72&#10;8 lancers mounted&#10;4 guns"
        @input="rows = null"
      />
    </label>
    <div class="mt-2 flex flex-wrap items-center gap-3">
      <button class="btn" type="button" @click="read">Read it</button>
      <label class="text-14"
        >or a file
        <input type="file" accept=".csv,.txt,text/csv,text/plain" class="ml-2" @change="choose"
      /></label>
      <button class="link" type="button" @click="emit('leave')">Leave it</button>
    </div>
    <template v-if="rows">
      <ul class="my-3" aria-label="As it is understood">
        <li
          v-for="(row, index) in rows"
          :key="row.number"
          class="fig flex min-h-11 flex-wrap items-center gap-x-4 border-t border-rule"
        >
          <template v-if="row.wrong">
            <span class="flex-1"
              ><span class="warn">Line {{ row.number }}:</span> {{ row.wrong }}</span
            >
          </template>
          <template v-else>
            <b class="w-10 text-right">{{ row.count }}</b>
            <span class="min-w-40 flex-1">{{ row.name }}</span>
            <span class="w-36 text-14 text-soft">{{ scale(index) }}</span>
            <select
              class="field"
              :aria-label="`Kind of ${row.name}`"
              :value="row.kind ?? ''"
              @change="setKind(row, $event)"
            >
              <option value="" disabled>which kind?</option>
              <option v-for="kind in vocabulary.kinds" :key="kind" :value="kind">{{ kind }}</option>
            </select>
            <select
              v-model="row.recipe"
              class="field max-w-52"
              :aria-label="`Recipe of ${row.name}`"
            >
              <option v-for="recipe in recipes" :key="recipe.id" :value="recipe.id">
                {{ recipe.name }}
              </option>
            </select>
          </template>
        </li>
      </ul>
      <ActButton main :why="busy ? 'adding them …' : lack" @press="rows && emit('take', rows)">
        Add all {{ rows.length }}, {{ models }} models
      </ActButton>
    </template>
  </section>
</template>
