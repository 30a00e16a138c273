<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { computed, ref } from 'vue'
import type { View } from '../../api/client'
import Complaints from '../../parts/Complaints.vue'
import { useMuster } from '../../muster'
import { date } from '../../words'

/** When the painter sits, what the day allows, and what the rack holds. */
const props = defineProps<{ open: boolean; view: View }>()
const emit = defineEmits<{ close: [] }>()

const muster = useMuster()
const day = ref('')
const start = ref('19:30')
const end = ref('22:00')
const weekly = ref(false)
const today = computed(() => props.view.now.slice(0, 10))
const coming = computed(() => props.view.evenings.filter((one) => one.day >= today.value))
const typed = (event: Event) => (event.target as HTMLInputElement).value

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
              @change="muster.command({ do: 'set_parade_day', day: typed($event) })"
          /></label>
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
        <p v-if="!coming.length" class="py-3">No sitting is to come. Add the first one above.</p>
        <ul class="mb-4 grid grid-cols-2 gap-x-8 border-t border-rule max-md:grid-cols-1">
          <li
            v-for="one in coming"
            :key="one.id"
            class="fig flex min-h-11 items-center justify-between border-b border-rule"
          >
            <span
              >{{ date(one.day) }}
              <b>{{ one.start.slice(0, 5) }} to {{ one.end.slice(0, 5) }}</b></span
            >
            <button
              class="link whitespace-nowrap"
              :aria-label="`Take out the sitting of ${date(one.day)}`"
              @click="muster.command({ do: 'remove_evening', evening: one.id })"
            >
              Take out
            </button>
          </li>
        </ul>
        <div class="flex gap-3">
          <button class="btn btn-main" @click="emit('close')">Done</button>
          <button class="btn" :disabled="!view.undo" @click="muster.undo()">
            Take back<span v-if="view.undo" class="font-normal">: {{ view.undo }}</span>
          </button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
