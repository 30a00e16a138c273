<script setup lang="ts">
import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
} from '@headlessui/vue'
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { client, told, type Schemas } from '../api/client'
import { best, finding, type Found } from '../finding'
import { roomKeys } from '../keys'
import { useMuster } from '../muster'
import { rooms } from '../router'
import { useShelf } from '../shelf'
import { useTour } from './tour'

/** What is typed outside a field is looked for among units, calls, recipes, paints, rooms, acts. */
const MOST = 9
const OF_KIND = 4
const route = useRoute()
const router = useRouter()
const muster = useMuster()
const shelf = useShelf()
const tour = useTour()
const recipes = ref<Schemas['RecipeOut'][]>([])
const field = useTemplateRef<{ $el: HTMLInputElement }>('field')
const id = computed(() => String(route.params.id ?? muster.view?.id ?? ''))

onMounted(async () => {
  await nextTick()
  // What was typed to begin with stays; the next letter goes behind it.
  const typed = finding.value?.length ?? 0
  field.value?.$el.setSelectionRange(typed, typed)
  if (!shelf.paints) void shelf.load()
  recipes.value = await told(client.GET('/api/recipes')).catch(() => [])
})

const to =
  (room: string, query: Record<string, string> = {}) =>
  () =>
    void router.push({ path: `/${id.value}/${room}`, query })

const all = computed<Found[]>(() => [
  ...(muster.view?.roll ?? []).map(({ unit }) => ({
    kind: 'unit',
    name: unit.name,
    more: `${unit.count} at 1/${unit.scale}`,
    go: to('roll', { unit: unit.id }),
  })),
  ...(muster.view?.board.calls ?? [])
    .filter((call) => call.start)
    .map((call) => ({
      kind: 'call',
      name: `${call.name}, ${call.tray_name}`,
      more: call.start ? `${muster.day(call.start)} ${muster.clock(call.start)}` : '',
      go: to('plan', { call: call.id }),
    })),
  ...recipes.value.map(({ recipe }) => ({
    kind: 'recipe',
    name: recipe.name,
    more: `${recipe.passes.length} passes`,
    go: to('recipes', { recipe: recipe.id }),
  })),
  ...(shelf.paints ?? []).map((one) => ({
    kind: 'paint',
    name: one.called,
    more: [one.paint.range, one.paint.code].filter(Boolean).join(' '),
    go: to('colour', { paint: String(one.id) }),
  })),
  ...rooms.map((room) => ({
    kind: 'room', name: room.label, more: room.key, go: to(room.name),
  })),
  { kind: 'room', name: 'House', more: 'habits, air, glues', go: to('house') },
  { kind: 'room', name: 'Musters', more: 'all of them', go: () => void router.push('/musters') },
  { kind: 'act', name: 'Begin a muster', more: '', go: () => void router.push('/begin') },
  { kind: 'act', name: 'Take the tour', more: '', go: tour.begin },
  ...roomKeys
    .filter((one) => !rooms.some((room) => room.key === one.key))
    .map((one) => ({ kind: 'act', name: one.does, more: one.shows, go: one.act })),
]) // prettier-ignore
const shown = computed(() => best(finding.value ?? '', all.value, MOST, OF_KIND))

function take(found: Found | null) {
  if (!found) return
  finding.value = null
  found.go()
}
</script>

<template>
  <Dialog :open="true" aria-label="Find" class="relative z-20" @close="finding = null">
    <div class="fixed inset-0 flex items-start justify-center bg-past/80 p-4 pt-[12vh]">
      <DialogPanel class="w-full max-w-xl border-[1.5px] border-ink bg-ground">
        <Combobox :model-value="null" nullable @update:model-value="take">
          <ComboboxInput
            ref="field"
            class="fig block min-h-14 w-full bg-ground px-4 text-18 outline-none"
            aria-label="Find a unit, call, recipe, paint, room or act"
            placeholder="unit, call, recipe, paint, room or act"
            autocomplete="off"
            :value="finding ?? ''"
            :display-value="() => finding ?? ''"
            @change="finding = $event.target.value"
            @keydown.escape.stop="finding = null"
          />
          <ComboboxOptions static class="border-t border-rule">
            <ComboboxOption
              v-for="one in shown"
              :key="`${one.kind} ${one.name} ${one.more}`"
              v-slot="{ active }"
              :value="one"
              as="template"
            >
              <li
                class="fig flex min-h-11 cursor-pointer items-center gap-4 px-4"
                :class="{ 'bg-paper': active }"
              >
                <span class="w-14 shrink-0 text-14 text-soft">{{ one.kind }}</span>
                <span class="min-w-0 flex-1 truncate">{{ one.name }}</span>
                <span class="shrink-0 text-14 text-soft">{{ one.more }}</span>
              </li>
            </ComboboxOption>
          </ComboboxOptions>
          <p v-if="finding && !shown.length" class="px-4 py-3" role="status">
            Nothing here is called that.
          </p>
        </Combobox>
      </DialogPanel>
    </div>
  </Dialog>
</template>
