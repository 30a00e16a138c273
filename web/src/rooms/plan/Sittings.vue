<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { computed, ref } from 'vue'
import type { View } from '../../api/client'
import { timeWords } from '../../dates'
import ActButton from '../../parts/ActButton.vue'
import Complaints from '../../parts/Complaints.vue'
import DateField from '../../parts/DateField.vue'
import TimeField from '../../parts/TimeField.vue'
import { useMuster } from '../../muster'
import { begun, date, WEEKDAYS } from '../../words'

/** When the painter sits, what the day allows, and what the rack holds: the rhythm of the week and
 * what differs from it; the single sittings only when they are asked for. */
const props = defineProps<{ open: boolean; view: View }>()
const emit = defineEmits<{ close: [] }>()

const muster = useMuster()
const day = ref('')
const start = ref('19:30')
const end = ref('22:00')
const weekly = ref(false)
const today = computed(() => props.view.now.slice(0, 10))
const moving = ref<string | null>(null)
const to = ref({ day: '', start: '', end: '' })
const allShown = ref(false)
const span = (one: { start: string; end: string }) =>
  `${timeWords(one.start)} to ${timeWords(one.end)}`
const typed = (event: Event) => (event.target as HTMLInputElement).value

const idOf = (weekly: string, on: string) => `${weekly}-on-${on.replaceAll('-', '')}`
/** Sittings that the rhythm does not tell of: moved ones, and those that stand alone. */
const odd = computed(() => {
  const moved = new Map(props.view.shifted.map((one) => [idOf(one.weekly, one.day), one.day]))
  const rhythm = new Set(props.view.rhythm.map((one) => one.id))
  const regular = (id: string) => rhythm.has(id.split('-on-')[0] ?? '') && !moved.has(id)
  return props.view.evenings
    .filter((one) => !regular(one.id))
    .map((one) => ({ ...one, from: moved.get(one.id) ?? null }))
})
const lost = computed(() => props.view.lost.filter((one) => one.day >= today.value))
const shown = computed(() => (allShown.value ? props.view.evenings : odd.value))
const fromOf = computed(() => new Map(odd.value.map((one) => [one.id, one.from])))

function begin(one: View['evenings'][number]) {
  moving.value = moving.value === one.id ? null : one.id
  to.value = { day: one.day, start: one.start.slice(0, 5), end: one.end.slice(0, 5) }
}

async function move(evening: string) {
  if (await muster.command({ do: 'move_evening', evening, ...to.value })) moving.value = null
}

async function add() {
  const done = await muster.command({
    do: 'add_evening',
    day: day.value,
    start: start.value,
    end: end.value,
    weekly: weekly.value,
  })
  if (done) day.value = ''
}
</script>

<template>
  <Dialog :open="open" class="relative z-20" @close="emit('close')">
    <div class="fixed inset-0 flex items-center justify-center bg-past p-4">
      <DialogPanel
        class="max-h-full w-full max-w-4xl overflow-y-auto border-[1.5px] border-ink bg-ground p-6"
      >
        <DialogTitle as="h2">Sittings and parade day</DialogTitle>
        <Complaints />
        <div class="my-3 flex flex-wrap items-end gap-4">
          <span class="grid gap-1 text-14"
            >Parade day
            <DateField
              :model-value="view.parade_day ?? ''"
              label="Parade day"
              :min="today"
              @update:model-value="muster.command({ do: 'set_parade_day', day: $event || null })"
          /></span>
          <button
            v-if="view.parade_day"
            class="btn"
            @click="muster.command({ do: 'set_parade_day', day: null })"
          >
            No parade day
          </button>
          <label class="grid gap-1 text-14"
            >Rack places, in figures
            <input
              type="number"
              min="1"
              class="field w-28"
              :value="view.rack"
              @change="muster.command({ do: 'set_rack', rack: Number(typed($event)) })"
          /></label>
          <label class="grid gap-1 text-14"
            >Minutes left free in each sitting
            <input
              type="number"
              min="0"
              max="240"
              step="5"
              class="field w-28"
              :value="view.spare_min"
              @change="muster.command({ do: 'set_spare', minutes: Number(typed($event)) })"
          /></label>
          <div v-for="one in view.hours" :key="one.tag" class="grid gap-1 text-14">
            <span>{{ begun(one.tag) }}</span>
            <span class="flex items-center gap-2">
              <TimeField
                :model-value="one.start.slice(0, 5)"
                :label="`${one.tag} from`"
                @update:model-value="muster.command({ do: 'set_hours', ...one, start: $event })"
              />
              to
              <TimeField
                :model-value="one.end.slice(0, 5)"
                :label="`${one.tag} to`"
                @update:model-value="muster.command({ do: 'set_hours', ...one, end: $event })"
              />
            </span>
          </div>
        </div>
        <h3 class="border-t border-rule pt-3 text-16 font-bold">Each week</h3>
        <p v-if="!view.rhythm.length" class="py-2 text-soft">
          No weekly sitting. Add one below with <i>each week</i>.
        </p>
        <ul class="grid grid-cols-2 gap-x-8 max-md:grid-cols-1">
          <li
            v-for="one in view.rhythm"
            :key="one.id"
            class="fig flex min-h-11 items-center justify-between border-b border-rule"
          >
            <span
              >{{ WEEKDAYS[one.weekday] }} <b>{{ span(one) }}</b></span
            >
            <button
              class="link whitespace-nowrap"
              :aria-label="`End it: no sitting each ${WEEKDAYS[one.weekday]} any more`"
              @click="muster.command({ do: 'end_weekly', weekly: one.id })"
            >
              End it
            </button>
          </li>
        </ul>
        <div class="mt-4 flex items-baseline justify-between gap-4">
          <h3 class="text-16 font-bold">
            {{ allShown ? 'The next weeks, one by one' : 'Otherwise than that' }}
          </h3>
          <button v-if="view.evenings.length" class="link" @click="allShown = !allShown">
            {{
              allShown ? 'Only what differs' : `All ${view.evenings.length}, to move or lose one`
            }}
          </button>
        </div>
        <p v-if="!view.evenings.length" class="py-2">
          No sitting is to come. Add the first one below.
        </p>
        <p v-else-if="!shown.length && !lost.length" class="py-1 text-soft">
          Nothing differs in the next weeks.
        </p>
        <ul class="mb-4 grid grid-cols-2 gap-x-8 max-md:grid-cols-1">
          <li v-for="one in shown" :key="one.id" class="fig border-b border-rule">
            <span class="flex min-h-11 flex-wrap items-center justify-between"
              ><span
                >{{ date(one.day) }} <b>{{ span(one) }}</b><span
                  v-if="fromOf.get(one.id)"
                  class="text-soft"
                >
                  moved from {{ date(fromOf.get(one.id) ?? one.day) }}</span
                ></span
              >
              <span class="flex gap-2">
                <button
                  class="link whitespace-nowrap"
                  :aria-label="`Move the sitting of ${date(one.day)}`"
                  :aria-expanded="moving === one.id"
                  @click="begin(one)"
                >
                  Move
                </button>
                <button
                  class="link whitespace-nowrap"
                  :aria-label="`Lost: take out the sitting of ${date(one.day)}`"
                  @click="muster.command({ do: 'remove_evening', evening: one.id })"
                >
                  Lost
                </button></span
              ></span
            >
            <form
              v-if="moving === one.id"
              class="flex flex-wrap items-end gap-2 pb-2"
              @submit.prevent="move(one.id)"
            >
              <DateField v-model="to.day" label="To the day" :min="today" />
              <TimeField v-model="to.start" label="from" />
              <TimeField v-model="to.end" label="to" />
              <button class="btn">Move it</button>
            </form>
          </li>
          <template v-if="!allShown">
            <li
              v-for="one in lost"
              :key="one.weekly + one.day"
              class="fig flex min-h-11 items-center border-b border-rule"
            >
              <s>{{ date(one.day) }}</s><span class="text-soft">, lost</span>
            </li>
          </template>
        </ul>
        <form
          class="flex flex-wrap items-end gap-4 border-t border-rule py-3"
          @submit.prevent="add"
        >
          <span class="grid gap-1 text-14"
            >A sitting on <DateField v-model="day" label="A sitting on" :min="today"
          /></span>
          <span class="grid gap-1 text-14">from <TimeField v-model="start" label="from" /></span>
          <span class="grid gap-1 text-14">to <TimeField v-model="end" label="to" /></span>
          <label class="flex min-h-11 items-center gap-2"
            ><input v-model="weekly" type="checkbox" class="size-5 accent-ink" /> each week</label
          >
          <ActButton :why="day ? null : 'say which day first'" @press="add">Add</ActButton>
        </form>
        <div class="flex gap-3">
          <button class="btn btn-main" @click="emit('close')">Done</button>
          <ActButton :why="view.undo ? null : 'nothing to take back'" @press="muster.undo()">
            Take back<span v-if="view.undo" class="font-normal">: {{ view.undo }}</span>
          </ActButton>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
