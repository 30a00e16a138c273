<script setup lang="ts">
import { onClickOutside } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { custom, dateWords, monthGrid, readDate } from '../dates'
import { useMuster } from '../muster'

/** A day as this user writes it, typed or picked; `model` is an ISO date, empty: none. */
const model = defineModel<string>({ required: true })
const props = withDefaults(defineProps<{ label: string; min?: string; name?: string }>(), {
  min: '',
  name: undefined,
})

const WEEK = 'Mo Tu We Th Fr Sa Su'.split(' ')
const MOVES: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 }
const muster = useMuster()
const box = useTemplateRef<HTMLElement>('box')
const typed = ref('')
const wrong = ref('')
const open = ref(false)
const now = () => new Date(Date.now() + muster.ahead)
const today = computed(() => muster.view?.now.slice(0, 10) ?? now().toISOString().slice(0, 10))
const chosen = ref('')
const month = computed(() => chosen.value.slice(0, 7))
const days = computed(() => monthGrid(month.value))
const weekdays = WEEK.map((_, n) => WEEK[(n + custom.first) % 7])
const title = computed(() =>
  new Intl.DateTimeFormat(custom.locale, {
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(`${month.value || today.value.slice(0, 7)}-01T00:00:00Z`)),
)
const shown = (day: string) => (day ? dateWords(day, true) : '')
watch(model, (day) => ((typed.value = shown(day)), (wrong.value = '')), { immediate: true })
onClickOutside(box, () => (open.value = false))

function take(day: string) {
  if (day && props.min && day < props.min) {
    wrong.value = `${dateWords(day)} is past`
    return
  }
  wrong.value = ''
  open.value = false
  typed.value = shown(day)
  if (day !== model.value) model.value = day
}

function commit() {
  if (!typed.value.trim()) return take('')
  if (typed.value === shown(model.value)) return
  const found = readDate(typed.value, now())
  if (found) take(found)
  else wrong.value = `no day: type ${custom.locale === 'en-US' ? 'March 27' : '27 March'}`
}

function turn() {
  open.value = !open.value
  chosen.value = model.value || today.value
  if (open.value) void toChosen()
}

async function toChosen() {
  await nextTick()
  box.value?.querySelector<HTMLElement>(`[data-day="${chosen.value}"]`)?.focus()
}

function shift(by: number) {
  const to = new Date(Date.parse(`${chosen.value}T00:00:00Z`) + by * 86_400_000)
  chosen.value = to.toISOString().slice(0, 10)
  void toChosen()
}

function keyed(event: KeyboardEvent) {
  if (event.key === 'Escape') {
    event.stopPropagation()
    open.value = false
    return box.value?.querySelector('input')?.focus()
  }
  const by = MOVES[event.key] ?? { PageUp: -28, PageDown: 28 }[event.key]
  if (!by) return
  event.preventDefault()
  shift(by)
}
</script>

<template>
  <span ref="box" class="relative inline-grid">
    <span class="flex">
      <input
        v-model="typed"
        class="field fig w-44 border-r-0!"
        autocomplete="off"
        :aria-label="label"
        :aria-invalid="wrong !== ''"
        :name="name"
        @change="commit"
        @keydown.enter="commit"
        @keydown.down.prevent="turn"
      />
      <button
        type="button"
        class="grid size-11 shrink-0 place-items-center border-[1.5px] border-key bg-ground"
        :aria-label="`${label}: pick a day`"
        :aria-expanded="open"
        @click="turn"
      >
        <svg width="18" height="18" aria-hidden="true" fill="none" stroke="currentColor">
          <path d="M1.5 3.5h15v13h-15zM1.5 7.5h15M5.5 1v4M12.5 1v4" stroke-width="1.5" />
        </svg>
      </button>
    </span>
    <span v-if="wrong" class="text-14 warn" role="alert">{{ wrong }}</span>
    <span
      v-if="open"
      class="fig absolute top-full left-0 z-30 mt-1 block border-[1.5px] border-ink bg-ground p-2"
      role="group"
      :aria-label="title"
      @keydown="keyed"
    >
      <span class="flex items-center justify-between">
        <button type="button" class="link" aria-label="A month back" @click="shift(-28)">
          back
        </button>
        <b>{{ title }}</b>
        <button type="button" class="link" aria-label="A month on" @click="shift(28)">on</button>
      </span>
      <span class="grid grid-cols-7 text-center text-14">
        <span v-for="day in weekdays" :key="day" class="text-soft" aria-hidden="true">{{
          day
        }}</span>
        <button
          v-for="day in days"
          :key="day"
          type="button"
          class="size-9"
          :class="{
            'text-soft': day.slice(0, 7) !== month,
            'bg-ink text-ground!': day === model,
            'font-bold underline': day === today,
          }"
          :disabled="Boolean(min) && day < min"
          :data-day="day"
          :tabindex="day === chosen ? 0 : -1"
          :aria-label="dateWords(day)"
          :aria-pressed="day === model"
          @click="take(day)"
        >
          {{ Number(day.slice(8)) }}
        </button>
      </span>
    </span>
  </span>
</template>
