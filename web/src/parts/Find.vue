<script setup lang="ts">
import { Dialog, DialogPanel } from '@headlessui/vue'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
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
const field = useTemplateRef<HTMLInputElement>('field')
const id = computed(() => String(route.params.id ?? muster.view?.id ?? ''))

onMounted(async () => {
  await nextTick()
  // What was typed to begin with stays; the next letter goes behind it.
  const typed = finding.value?.length ?? 0
  field.value?.setSelectionRange(typed, typed)
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

const active = ref(0)
watch(finding, () => (active.value = 0))

function step(by: number) {
  active.value = Math.min(shown.value.length - 1, Math.max(0, active.value + by))
}

function take(found: Found | undefined) {
  if (!found) return
  finding.value = null
  found.go()
}
</script>

<template>
  <Dialog :open="true" aria-label="Find" class="relative z-20" @close="finding = null">
    <div class="fixed inset-0 flex items-start justify-center bg-past/80 p-4 pt-[12vh]">
      <DialogPanel class="w-full max-w-xl border-[1.5px] border-ink bg-ground">
        <input
          ref="field"
          class="fig block min-h-14 w-full bg-ground px-4 text-18 outline-none"
          role="combobox"
          aria-label="Find a unit, call, recipe, paint, room or act"
          aria-controls="found"
          aria-autocomplete="list"
          :aria-expanded="shown.length > 0"
          :aria-activedescendant="shown.length ? `found-${active}` : undefined"
          placeholder="unit, call, recipe, paint, room or act"
          autocomplete="off"
          :value="finding ?? ''"
          @input="finding = ($event.target as HTMLInputElement).value"
          @keydown.escape.stop="finding = null"
          @keydown.down.prevent="step(1)"
          @keydown.up.prevent="step(-1)"
          @keydown.enter.prevent="take(shown[active])"
        />
        <ul
          v-if="shown.length"
          id="found"
          role="listbox"
          aria-label="Found"
          class="border-t border-rule"
        >
          <li
            v-for="(one, index) in shown"
            :id="`found-${index}`"
            :key="`${one.kind} ${one.name} ${one.more}`"
            role="option"
            :aria-selected="index === active"
            class="fig flex min-h-11 cursor-pointer items-center gap-4 px-4"
            :class="{ 'bg-paper': index === active }"
            @pointermove="active = index"
            @click="take(one)"
          >
            <span class="w-14 shrink-0 text-14 text-soft">{{ one.kind }}</span>
            <span class="min-w-0 flex-1 truncate">{{ one.name }}</span>
            <span class="shrink-0 text-14 text-soft">{{ one.more }}</span>
          </li>
        </ul>
        <p v-else-if="finding" class="border-t border-rule px-4 py-3" role="status">
          Nothing here is called that.
        </p>
      </DialogPanel>
    </div>
  </Dialog>
</template>
