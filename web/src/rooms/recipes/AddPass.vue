<script setup lang="ts">
import { ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import type { Pass } from './draft'

type Kind = Schemas['TypedIn']['kind']
type Tier = Schemas['TypedIn']['tier']

/** A pass by typing: pinw 1 Peat 4 water, running gear Enter. */
const props = defineProps<{
  kind: Kind
  others: Schemas['RecipeOut'][]
  /** The unit that follows the recipe: minutes are proposed for its size and tier. */
  unit?: Schemas['UsedBy']
}>()
const emit = defineEmits<{ add: [passes: Pass[]] }>()
const text = ref('')
type Read = Schemas['TypedOut']
const nothing: Read = { passes: [], reading: [], unread: [] }
const found = ref<Read>(nothing)
let asked = 0

watch([text, () => props.kind], () => void read())

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
  <form class="mt-3 border-t border-rule pt-3" @submit.prevent="add">
    <div class="flex flex-wrap items-end gap-3">
      <label class="grid min-w-64 flex-1 gap-1 text-14"
        >Add a pass: type a few letters, then Enter
        <input
          v-model="text"
          class="field w-full"
          maxlength="200"
          autocomplete="off"
          spellcheck="false"
          placeholder="pinw 1 Peat 4 water, running gear, x2, overnight"
      /></label>
      <button class="btn">Add</button>
      <label class="grid gap-1 text-14"
        >or a recipe to hold
        <select class="field w-52" @change="hold">
          <option value="">choose</option>
          <option v-for="one in others" :key="one.recipe.id" :value="one.recipe.id">
            {{ one.recipe.name }}
          </option>
        </select></label
      >
    </div>
    <div class="fig min-h-6 text-14" role="status">
      <p v-for="line in found.reading" :key="line">{{ line }}</p>
      <p v-if="found.passes.length && found.unread.length" class="text-soft">
        Not understood, kept as a note: <b>{{ found.unread.join(', ') }}</b>
      </p>
      <p v-else-if="!found.passes.length && text.trim()" class="text-soft">
        No technique begins so. Try: brush, dry-brush, wash, pin wash, chips, decals, undercoat,
        glue, drill.
      </p>
    </div>
  </form>
</template>
