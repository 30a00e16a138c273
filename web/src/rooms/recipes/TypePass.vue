<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useKeys } from '../../keys'
import type { Pass } from './draft'

type Kind = Schemas['TypedIn']['kind']
type Tier = Schemas['TypedIn']['tier']

/** A pass by typing: pinw 1 Peat 4 water, running gear Enter. It lands over the picked pass. */
const props = defineProps<{
  kind: Kind
  others: Schemas['RecipeOut'][]
  /** The unit that follows the recipe: minutes are proposed for its size and tier. */
  unit?: Schemas['UsedBy']
  /** The name of the pass that it lands over; none: on top. */
  over: string | null
}>()
const emit = defineEmits<{ add: [passes: Pass[]] }>()
const text = ref('')
type Read = Schemas['TypedOut']
const nothing: Read = { passes: [], reading: [], unread: [] }
const found = ref<Read>(nothing)
const box = useTemplateRef('box')
const where = computed(() => (props.over ? `lands over ${props.over}` : 'lands on top'))
let asked = 0

watch([text, () => props.kind], () => void read())
useKeys([{ key: 'a', shows: 'A', does: 'Type a pass', act: () => box.value?.focus() }])

async function read(): Promise<Read> {
  const mine = ++asked
  if (!text.value.trim()) return (found.value = nothing)
  const { scale = 72, tier = 'hand' } = props.unit ?? {}
  const body = { text: text.value, kind: props.kind, tier: tier as Tier, scale }
  const next = await told(client.POST('/api/typed', { body })).catch(() => nothing)
  if (mine === asked) found.value = next
  return next
}

async function add() {
  const { passes } = await read()
  if (!passes.length) return
  emit('add', passes)
  text.value = ''
}

function hold(event: Event) {
  const field = event.target as HTMLSelectElement
  const one = props.others.find((other) => other.recipe.id === field.value)?.recipe
  field.value = ''
  if (!one) return
  const pass = {
    key: one.id.toLowerCase().slice(0, 12).replace(/-$/, ''), name: one.name, technique: 'recipe',
    minutes: one.passes.reduce((sum, each) => sum + each.minutes, 0),
    holds: `${one.id}@${one.version}`,
  } // prettier-ignore
  emit('add', [pass as Pass])
}
</script>

<template>
  <form class="mt-4" @submit.prevent="add">
    <div class="flex flex-wrap items-center gap-3">
      <label class="min-w-64 flex-1"
        ><span class="sr-only">Type a pass; it {{ where }}</span>
        <input
          ref="box"
          v-model="text"
          class="field fig w-full"
          maxlength="200"
          autocomplete="off"
          spellcheck="false"
          placeholder="type a pass: pinw 1 Peat 4 water, running gear, x2"
      /></label>
      <button class="btn">Add</button>
      <label
        ><span class="sr-only">or a recipe to hold</span>
        <select class="field w-48" @change="hold">
          <option value="">or hold a recipe</option>
          <option v-for="one in others" :key="one.recipe.id" :value="one.recipe.id">
            {{ one.recipe.name }}
          </option>
        </select></label
      >
    </div>
    <div class="fig min-h-6 text-14" role="status">
      <p v-for="line in found.reading" :key="line">{{ line }}, {{ where }}</p>
      <p v-if="found.passes.length && found.unread.length" class="text-soft">
        Not understood, kept as a note: <b>{{ found.unread.join(', ') }}</b>
      </p>
      <p v-else-if="!found.passes.length && text.trim()" class="text-soft">
        No technique begins so. Try: brush, dry-brush, wash, pin wash, chips, decals, undercoat,
        glue, drill.
      </p>
      <p v-else-if="!text.trim()" class="text-soft">{{ where }}</p>
    </div>
  </form>
</template>
