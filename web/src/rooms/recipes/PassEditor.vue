<script setup lang="ts">
import { useVocabulary } from '../../vocabulary'
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { useHouse } from '../../house'
import { readMix, sayMix } from './mix'

const vocabulary = useVocabulary()

type Pass = Schemas['Pass']

const pass = defineModel<Pass>({ required: true })
defineProps<{ zones: string[] }>()
const emit = defineEmits<{ remove: [] }>()

const house = useHouse()
const techniques = computed(() => Object.keys(house.known?.techniques ?? {}))
const media = computed(() => house.known?.media ?? [])
const glues = computed(() => house.known?.adhesives ?? [])
const NUMBERS = [
  ['minutes', 'Minutes a model'],
  ['setup_min', 'Open it'],
  ['cleanup_min', 'Clean up'],
  ['open_min', 'Stays open'],
  ['life_min', 'Lasts in all'],
  ['dry_min', 'Dry to touch'],
  ['stand_min', 'Stand: wait at least'],
  ['window_min', 'Window: at most'],
] as const
const OPTIONAL: Record<string, string> = {
  open_min: 'no limit',
  life_min: 'no limit',
  window_min: 'by its layers',
  dry_min: 'by its layers',
  stand_min: 'by its layers',
}
const mix = computed({
  get: () => sayMix(pass.value.mix ?? []),
  set: (text: string) => (pass.value = { ...pass.value, mix: readMix(text) }),
})
const words = (text: string) =>
  text
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean)
const where = computed({
  get: () => (pass.value.zones ?? []).join(', '),
  set: (text: string) => (pass.value = { ...pass.value, zones: words(text) }),
})
const wants = computed({
  get: () => (pass.value.wants ?? []).join(', '),
  set: (text: string) => (pass.value = { ...pass.value, wants: words(text) }),
})
const needs = computed({
  get: () => (pass.value.needs ?? []).join(', '),
  set: (text: string) => (pass.value = { ...pass.value, needs: words(text) }),
})

function set(key: string, text: string) {
  const value = text === '' && key in OPTIONAL ? null : Number(text)
  pass.value = { ...pass.value, [key]: value }
}

function setPart(text: string) {
  const part = text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
  pass.value = { ...pass.value, part: part || null }
}

function text(key: keyof Pass): string {
  const value = pass.value[key]
  return value === null || value === undefined ? '' : String(value)
}
</script>

<template>
  <div
    class="my-3 grid grid-cols-4 gap-3 pl-9 max-md:grid-cols-2 max-md:pl-0 [&_.field]:w-full [&_label]:min-w-0"
  >
    <label class="grid gap-1 text-14"
      >Name <input v-model.lazy="pass.name" class="field" maxlength="60"
    /></label>
    <label class="grid gap-1 text-14"
      >Technique
      <select v-model="pass.technique" class="field">
        <option v-for="one in techniques" :key="one">{{ one }}</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >Tool
      <input
        class="field"
        list="tools"
        :value="pass.tool ?? ''"
        @change="pass = { ...pass, tool: ($event.target as HTMLInputElement).value || null }"
      />
      <datalist id="tools">
        <option>airbrush</option>
        <option>brush</option>
        <option>spray can</option>
        <option>sponge</option>
      </datalist></label
    >
    <label class="grid gap-1 text-14"
      >Medium
      <select
        class="field"
        :value="pass.medium ?? ''"
        @change="pass = { ...pass, medium: ($event.target as HTMLSelectElement).value || null }"
      >
        <option value="">the usual one</option>
        <option v-for="one in media" :key="one.name">{{ one.name }}</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >Zones <input v-model.lazy="where" class="field" list="zones" placeholder="the whole model"
    /></label>
    <datalist id="zones">
      <option v-for="one in zones" :key="one">{{ one }}</option>
    </datalist>
    <label class="grid gap-1 text-14"
      >Glue
      <select
        class="field"
        :value="pass.adhesive ?? ''"
        @change="pass = { ...pass, adhesive: ($event.target as HTMLSelectElement).value || null }"
      >
        <option value="">none</option>
        <option v-for="one in glues" :key="one">{{ one }}</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >Coats
      <input
        class="field fig"
        type="number"
        min="1"
        max="9"
        :value="pass.coats ?? 1"
        @change="set('coats', ($event.target as HTMLInputElement).value)"
    /></label>
    <label class="grid gap-1 text-14"
      >Finish
      <select
        class="field"
        :value="pass.finish ?? ''"
        @change="
          pass = {
            ...pass,
            finish: (($event.target as HTMLSelectElement).value || null) as Pass['finish'],
          }
        "
      >
        <option value="">as it is</option>
        <option>matt</option>
        <option>satin</option>
        <option>gloss</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >Dries to this colour
      <input
        class="field h-11 w-full p-1"
        type="color"
        :value="pass.colour ?? '#808080'"
        @change="pass = { ...pass, colour: ($event.target as HTMLInputElement).value }"
    /></label>
    <label class="col-span-2 grid gap-1 text-14"
      >Mix, in parts <input v-model.lazy="mix" class="field" placeholder="5 Reed green, 2 Silt"
    /></label>
    <label class="grid gap-1 text-14"
      >Part painted apart
      <input
        class="field"
        :value="pass.part ?? ''"
        maxlength="24"
        pattern="[a-z0-9-]*"
        placeholder="whole model"
        @change="setPart(($event.target as HTMLInputElement).value)"
    /></label>
    <label class="grid gap-1 text-14"
      >Wants, such as daylight <input v-model.lazy="wants" class="field"
    /></label>
    <label class="grid gap-1 text-14"
      >Cannot do without <input v-model.lazy="needs" class="field"
    /></label>
    <label v-for="[key, label] in NUMBERS" :key="key" class="grid gap-1 text-14"
      >{{ label }}{{ key === 'minutes' ? '' : ', min' }}
      <input
        class="field fig"
        type="number"
        min="0"
        step="any"
        :value="text(key)"
        :placeholder="OPTIONAL[key] ?? ''"
        @change="set(key, ($event.target as HTMLInputElement).value)"
    /></label>
    <label class="grid gap-1 text-14"
      >Dries by
      <select v-model="pass.clock" class="field">
        <option value="water">water leaving</option>
        <option value="cure">curing</option>
        <option value="wall">the wall clock</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >May be cut
      <select v-model="pass.cut" class="field">
        <option :value="null">as its length asks</option>
        <option value="item">between models</option>
        <option value="none">not at all</option>
        <option value="any">anywhere</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >Worth it from
      <select v-model="pass.tier" class="field">
        <option v-for="one in vocabulary.tiers" :key="one.tier" :value="one.tier">
          {{ one.words }}
        </option>
      </select></label
    >
    <div class="flex items-end">
      <button class="btn" @click="emit('remove')">Take this pass out</button>
    </div>
    <label class="col-span-4 grid gap-1 text-14 max-md:col-span-2"
      >Note <input v-model.lazy="pass.note" class="field" maxlength="400"
    /></label>
    <slot />
  </div>
</template>
