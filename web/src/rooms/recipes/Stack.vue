<script setup lang="ts">
import { computed, nextTick, useTemplateRef } from 'vue'
import type { Schemas } from '../../api/client'
import { useKeys } from '../../keys'
import type { Draft } from './draft'
import PassDetail from './PassDetail.vue'
import PassRow from './PassRow.vue'
import RuleSeam from './RuleSeam.vue'
import { useStackDrag } from './stackDrag'

/** The passes from the last to the first, as they lie on each other: picked, moved, thickened and
 *  taken out by hand and by keys. */
const props = defineProps<{
  draft: Draft
  look: Schemas['DraftReport'] | null
  zones: string[]
  zone: string
  /** Of the part in view; none: all passes. */
  part: string[] | null
  recipes: Schemas['RecipeOut'][]
  code: string
  lane: number
}>()
const picked = defineModel<string | null>('picked', { required: true })
const word = defineModel<string | null>('word', { required: true })
const trials = defineModel<Schemas['TrialOut'][]>('trials', { required: true })
const emit = defineEmits<{ mend: [way: Schemas['PricedRepair']] }>()

const list = useTemplateRef<HTMLElement>('list')
const passes = computed(() => props.draft.passes.value)
const seams = computed(() => new Map(props.look?.seams.map((one) => [one.key, one])))
const rows = computed(() =>
  passes.value
    .map((pass, index) => ({ pass, index, seam: seams.value.get(pass.key) }))
    .filter(
      ({ seam }) => !props.part || !seam || seam.zones.some((one) => props.part?.includes(one)),
    )
    .reverse(),
)
const found = (key: string) => props.look?.findings.filter((one) => one.key === key) ?? []
const grave = (key: string) => found(key).filter((one) => one.severity !== 'note')
const notes = (key: string) => found(key).filter((one) => one.severity === 'note')
const recipes = computed(() => props.recipes.filter((one) => one.recipe.id !== props.code))

function pick(key: string | null) {
  picked.value = picked.value === key ? null : key
  word.value = null
}

function out(key: string) {
  const at = rows.value.findIndex((one) => one.pass.key === key)
  props.draft.takeOut(key)
  const next = rows.value[Math.max(0, at - 1)] ?? null
  if (picked.value === key) picked.value = null
  void nextTick(() => next && focus(next.pass.key))
}

const { dragged, start } = useStackDrag(list, { layOver: props.draft.layOver, takeOut: out })

function focus(key: string) {
  list.value?.querySelector<HTMLElement>(`[data-pass="${CSS.escape(key)}"] [data-row]`)?.focus()
}

/** The pass in hand for keys: the one that has the focus, else the picked one. */
function inHand(): string | null {
  const at = document.activeElement?.closest<HTMLElement>('[data-pass]')
  return at?.dataset.pass ?? picked.value
}

function step(by: number) {
  const at = rows.value.findIndex((one) => one.pass.key === inHand())
  const next = rows.value[at < 0 ? 0 : Math.min(rows.value.length - 1, Math.max(0, at + by))]
  if (!next) return
  if (picked.value) picked.value = next.pass.key
  word.value = null
  void nextTick(() => focus(next.pass.key))
}

function move(by: number) {
  const key = inHand()
  if (!key) return
  props.draft.move(key, by)
  void nextTick(() => focus(key))
}

function thicken(key: string | null, by: number) {
  const what = seams.value.get(key ?? '')?.thickens
  if (key && what) props.draft.thicken(key, what, by)
}

useKeys([
  { key: 'ArrowUp', shows: 'Up', does: 'The pass above', act: () => step(-1) },
  { key: 'ArrowDown', shows: 'Down', does: 'The pass below', act: () => step(1) },
  { key: '[', shows: '[', does: 'Move this pass down', act: () => move(-1) },
  { key: ']', shows: ']', does: 'Move this pass up', act: () => move(1) },
  { key: '+', shows: '+', does: 'Its film thicker', act: () => thicken(inHand(), 1) },
  { key: '-', shows: '-', does: 'Its film thinner', act: () => thicken(inHand(), -1) },
  {
    key: 'Delete',
    shows: 'Delete',
    does: 'Take this pass out',
    act: () => {
      const key = inHand()
      if (key) out(key)
    },
  },
])
</script>

<template>
  <div class="relative">
    <ol ref="list" reversed aria-label="Passes, from the last to the first">
      <li
        v-for="{ pass, index, seam } in rows"
        :key="pass.key"
        :data-pass="pass.key"
        class="border-b border-l-4 border-rule border-l-transparent"
        :class="{ 'border-l-ink!': picked === pass.key }"
      >
        <PassRow
          :number="index + 1"
          :pass="pass"
          :seam="seam"
          :section="look?.section ?? null"
          :zone="zone"
          :notes="notes(pass.key).length"
          :picked="picked === pass.key"
          :dragged="dragged?.key === pass.key"
          :lane="lane"
          @pick="pick(pass.key)"
          @grab="start($event, pass.key)"
          @thicken="thicken(pass.key, $event)"
        />
        <PassDetail
          v-if="picked === pass.key"
          v-model:open="word"
          v-model:trials="trials"
          :draft="draft"
          :pass="pass"
          :seam="seam"
          :zones="zones"
          :recipes="recipes"
          :code="code"
          :first="index === 0"
          :last="index === passes.length - 1"
          @mend="emit('mend', $event)"
          @out="out(pass.key)"
        />
        <RuleSeam
          v-for="one in picked === pass.key ? found(pass.key) : grave(pass.key)"
          :key="one.code + one.words"
          :finding="one"
          @repair="emit('mend', $event)"
        />
      </li>
    </ol>
    <div
      v-if="dragged"
      class="pointer-events-none absolute inset-x-0 border-t-[5px] border-ink"
      :style="{ top: `${dragged.rail - 2}px` }"
    >
      <span class="fig absolute -top-3 left-1/2 bg-ground px-2 text-14">{{
        dragged.out ? 'take it out' : 'lay it here'
      }}</span>
    </div>
    <p v-if="!rows.length" class="py-3 text-soft">
      {{ part ? 'No pass touches this part yet.' : 'Nothing is laid yet.' }} Type the first pass
      below.
    </p>
  </div>
</template>
