<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { computed, ref } from 'vue'
import type { View } from '../../api/client'
import ActButton from '../../parts/ActButton.vue'
import Complaints from '../../parts/Complaints.vue'
import { useMuster } from '../../muster'
import { date, WEEKDAYS } from '../../words'

/** When the painter sits, what the day allows, and what the rack holds. */
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
const shown = ref(8)
const movedIds = computed(
  () => new Set(props.view.shifted.map((one) => `${one.weekly}-on-${one.day.replaceAll('-', '')}`)),
)
const clockOf = (time: string) => time.slice(0, 5)
const typed = (event: Event) => (event.target as HTMLInputElement).value

function begin(one: View['evenings'][number]) {
  moving.value = moving.value === one.id ? null : one.id
  to.value = { day: one.day, start: clockOf(one.start), end: clockOf(one.end) }
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
          <label class="grid gap-1 text-14"
            >Parade day
            <input
              type="date"
              class="field"
              :value="view.parade_day"
              @change="muster.command({ do: 'set_parade_day', day: typed($event) || null })"
          /></label>
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
            <span>{{ one.tag }}</span>
            <span class="flex items-center gap-2">
              <input
                type="time"
                class="field"
                :aria-label="`${one.tag} from`"
                :value="one.start.slice(0, 5)"
                @change="
                  muster.command({ do: 'set_hours', ...one, tag: one.tag, start: typed($event) })
                "
              />
              to
              <input
                type="time"
                class="field"
                :aria-label="`${one.tag} to`"
                :value="one.end.slice(0, 5)"
                @change="
                  muster.command({ do: 'set_hours', ...one, tag: one.tag, end: typed($event) })
                "
              />
            </span>
          </div>
        </div>
        <form
          class="flex flex-wrap items-end gap-4 border-t border-rule py-3"
          @submit.prevent="add"
        >
          <label class="grid gap-1 text-14"
            >A sitting on <input v-model="day" type="date" class="field" :min="today" required
          /></label>
          <label class="grid gap-1 text-14"
            >from <input v-model="start" type="time" class="field" required
          /></label>
          <label class="grid gap-1 text-14"
            >to <input v-model="end" type="time" class="field" required
          /></label>
          <label class="flex min-h-11 items-center gap-2"
            ><input v-model="weekly" type="checkbox" class="size-5 accent-ink" /> each week</label
          >
          <button class="btn">Add</button>
        </form>
        <h3 class="text-16 font-bold">Each week</h3>
        <p v-if="!view.rhythm.length" class="py-2 text-soft">
          No weekly sitting. Add one above with <i>each week</i>.
        </p>
        <ul class="border-b border-rule">
          <li
            v-for="one in view.rhythm"
            :key="one.id"
            class="fig flex min-h-11 items-center justify-between border-t border-rule"
          >
            <span
              >{{ WEEKDAYS[one.weekday] }}
              <b>{{ clockOf(one.start) }} to {{ clockOf(one.end) }}</b></span
            >
            <button
              class="link whitespace-nowrap"
              :aria-label="`No sitting each ${WEEKDAYS[one.weekday]} any more`"
              @click="muster.command({ do: 'end_weekly', weekly: one.id })"
            >
              End it
            </button>
          </li>
        </ul>
        <h3 class="mt-4 text-16 font-bold">The next weeks, one by one</h3>
        <p v-if="!view.evenings.length" class="py-2">
          No sitting is to come. Add the first one above.
        </p>
        <ul class="mb-4 grid grid-cols-2 gap-x-8 max-md:grid-cols-1">
          <li
            v-for="one in view.evenings.slice(0, shown)"
            :key="one.id"
            class="fig border-t border-rule"
          >
            <span class="flex min-h-11 flex-wrap items-center justify-between"
              ><span
                >{{ date(one.day) }} <b>{{ clockOf(one.start) }} to {{ clockOf(one.end) }}</b
                ><span v-if="movedIds.has(one.id)" class="text-soft"> moved</span></span
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
                  :aria-label="`Take out the sitting of ${date(one.day)}`"
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
              <input
                v-model="to.day"
                type="date"
                class="field"
                aria-label="To the day"
                :min="today"
                required
              />
              <input v-model="to.start" type="time" class="field" aria-label="from" required />
              <input v-model="to.end" type="time" class="field" aria-label="to" required />
              <button class="btn">Move it</button>
            </form>
          </li>
        </ul>
        <button v-if="view.evenings.length > shown" class="link" @click="shown = 60">
          {{ view.evenings.length - shown }} more
        </button>
        <p v-if="view.lost.length" class="mb-3 text-14 text-soft">
          Lost: {{ view.lost.map((one) => date(one.day)).join('; ') }}. <i>Take back</i> brings the
          newest change back.
        </p>
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
