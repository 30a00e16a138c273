<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { useHouse } from '../../house'
import ChoiceEdit from './ChoiceEdit.vue'
import type { Pass } from './draft'
import MixEdit from './MixEdit.vue'
import NamesEdit from './NamesEdit.vue'
import NumberEdit from './NumberEdit.vue'
import { asPart, changed, type Field } from './words'

/** One property of a pass, changed in place; Escape leaves it. */
const props = defineProps<{
  field: Field
  pass: Pass
  zones: string[]
  recipes: Schemas['RecipeOut'][]
}>()
const emit = defineEmits<{ set: [pass: Pass]; done: [] }>()
const house = useHouse()

const value = computed(() => props.pass[props.field.name as keyof Pass])
const set = (next: unknown) => emit('set', changed(props.pass, props.field.name, next))

const same = (names: string[]) => names.map((one) => ({ value: one, words: one }))
const options = computed<Schemas['Option'][]>(() => {
  const known = house.known
  switch (props.field.among) {
    case 'techniques':
      return same(Object.keys(known?.techniques ?? {}))
    case 'media':
      return (known?.media ?? []).map((one) => ({ value: one.name, words: one.said }))
    case 'adhesives':
      return same(known?.adhesives ?? [])
    case 'materials':
      return same(known?.materials ?? [])
    case 'zones':
      return same(props.zones)
    case 'recipes':
      return props.recipes.map(({ recipe }) => ({
        value: `${recipe.id}@${recipe.version}`,
        words: recipe.name,
      }))
  }
  return props.field.options
})
/** From where an arrow starts when nothing is said yet. */
const usual = computed(() => (props.field.name === 'cover' ? 0.5 : Math.max(props.field.least, 0)))
const covers = computed(() => (value.value ?? []) as { zone: string; cover: number }[])

function setCover(zone: string, cover: number | null) {
  const rest = covers.value.filter((one) => one.zone !== zone)
  set(cover === null ? rest : [...rest, { zone, cover }])
}

function setText(event: Event) {
  const text = (event.target as HTMLInputElement).value.trim()
  if (props.field.name === 'name' && !text) return
  if (props.field.name === 'part') return set(asPart(text) || null)
  set(text)
}
const vFocus = { mounted: (at: HTMLInputElement) => at.select() }
/** A share of one zone, as a number of its own. */
const share = computed<Field>(() => ({ ...props.field, edit: 'number', share: true, least: 0.01, most: 1, step: 0.05, unsaid: 'alike' })) // prettier-ignore
</script>

<template>
  <div
    class="my-2 border-l-4 border-ink py-1 pl-3"
    role="group"
    :aria-label="`Change: ${field.label}`"
    @keydown.esc.stop.prevent="emit('done')"
  >
    <p class="mb-1 flex items-center justify-between gap-3 text-14 text-soft">
      {{ field.label }}
      <button class="link min-h-8 text-ink" type="button" @click="emit('done')">Done</button>
    </p>
    <ChoiceEdit
      v-if="field.edit === 'choice'"
      :field="field"
      :options="options"
      :value="(value as string | null) ?? null"
      @set="set"
      @done="emit('done')"
    />
    <NumberEdit
      v-else-if="field.edit === 'number'"
      :field="field"
      :value="(value as number | null) ?? null"
      :usual="usual"
      @set="set"
      @done="emit('done')"
    />
    <MixEdit
      v-else-if="field.edit === 'mix'"
      :value="pass.mix ?? []"
      @set="set"
      @done="emit('done')"
    />
    <NamesEdit
      v-else-if="field.edit === 'names'"
      :field="field"
      :options="options.map((one) => one.value)"
      :value="(value as string[]) ?? []"
      @set="set"
      @done="emit('done')"
    />
    <div v-else-if="field.edit === 'covers'" class="grid gap-1">
      <div v-for="zone in zones" :key="zone" class="flex flex-wrap items-center gap-3">
        <span class="w-32">{{ zone }}</span>
        <NumberEdit
          v-if="covers.some((one) => one.zone === zone)"
          :field="{ ...share, label: `share of ${zone}` }"
          :value="covers.find((one) => one.zone === zone)?.cover ?? null"
          :usual="0.5"
          @set="setCover(zone, $event)"
          @done="emit('done')"
        />
        <button v-else class="link" type="button" @click="setCover(zone, 0.5)">
          state a share
        </button>
      </div>
    </div>
    <label v-else-if="field.edit === 'colour'" class="flex items-center gap-3">
      <input
        type="color"
        class="h-11 w-16 border-[1.5px] border-key bg-ground p-1"
        :value="(value as string) || '#808080'"
        :aria-label="field.label"
        @change="set(($event.target as HTMLInputElement).value)"
      />
      <button class="link" type="button" @click="(set(null), emit('done'))">
        {{ field.unsaid }}
      </button>
    </label>
    <input
      v-else
      v-focus
      class="field w-full"
      :maxlength="field.most"
      :value="(value as string) ?? ''"
      :aria-label="field.label"
      @change="setText"
      @keydown.enter.prevent="(setText($event), emit('done'))"
    />
  </div>
</template>
