<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { client, told } from '../../api/client'
import { useHouse, type Air } from '../../house'
import { useMuster } from '../../muster'
import DampDial from '../../parts/DampDial.vue'
import { date } from '../../words'
import OwnRows from './OwnRows.vue'
import DateField from '../../parts/DateField.vue'
import ActButton from '../../parts/ActButton.vue'

const house = useHouse()
const muster = useMuster()
const today = computed(() => muster.view?.now.slice(0, 10) ?? '')
const day = ref('')
const draft = ref<Air>({ celsius: 20, humidity: 50 })
const read = ref('')

onMounted(house.load)

const stated = computed(() => house.house?.days?.find((one) => one.day === day.value)?.air)
const usual = computed(() => house.house?.air ?? { celsius: 20, humidity: 50 })
watch(
  () => [day.value, house.found?.version],
  () => {
    draft.value = { ...(stated.value ?? usual.value) }
    read.value = ''
  },
)
const changed = computed(() => {
  const now = stated.value ?? usual.value
  return draft.value.celsius !== now.celsius || draft.value.humidity !== now.humidity
})

async function sense() {
  const air = await muster.attempt(() => told(client.GET('/api/devices/room')))
  if (!air) return
  draft.value = air
  read.value = `The sensor reads ${air.celsius} °C and ${air.humidity} %.`
}
</script>

<template>
  <div class="flex min-h-14 flex-wrap items-center justify-between gap-3">
    <h1>House</h1>
    <p class="text-soft">Your ways and your room. Every recipe and every plan follows.</p>
    <button v-if="house.found?.undo" class="btn" @click="house.undo">
      Take back: {{ house.found.undo }}
    </button>
  </div>
  <template v-if="house.found">
    <section aria-labelledby="air" class="border-t border-rule py-3">
      <h2 id="air">The room</h2>
      <div class="my-2 flex flex-wrap items-center gap-3" role="group" aria-label="Which day">
        <button
          v-for="[words, which] in [
            ['Usually', ''],
            ['Today', today],
          ]"
          :key="words"
          class="min-h-11 border-b-4 border-transparent px-1"
          :class="{ 'border-ink! font-bold': day === which }"
          :aria-pressed="day === which"
          @click="day = which ?? ''"
        >
          {{ words }}
        </button>
        <span class="flex items-center gap-2 text-14"
          >Another day <DateField v-model="day" label="Another day" :min="today"
        /></span>
        <button
          v-for="one in house.house?.days?.filter((one) => one.day >= today)"
          :key="one.day"
          class="link fig"
          :aria-pressed="day === one.day"
          @click="day = one.day"
        >
          {{ date(one.day) }}: {{ one.air.celsius }} °C, {{ one.air.humidity }} %
        </button>
      </div>
      <DampDial v-model="draft">
        <p v-if="read" class="text-14" role="status">{{ read }}</p>
        <div class="mt-2 flex flex-wrap gap-3">
          <button class="btn" @click="sense">Read the sensor</button>
          <ActButton
            main
            :why="changed ? null : 'nothing is changed yet'"
            @press="house.breathe(day || null, draft)"
          >
            Keep it {{ day ? `for ${date(day)}` : 'as usual' }}
          </ActButton>
          <button v-if="day && stated" class="btn" @click="house.breathe(day, null)">
            As usual that day
          </button>
        </div>
      </DampDial>
    </section>
    <section aria-labelledby="habits" class="border-t border-rule py-3">
      <h2 id="habits">Habits</h2>
      <p class="text-14 text-soft">
        Where schools differ. Rules, waits and what is proposed follow yours.
      </p>
      <fieldset
        v-for="one in house.found.habits"
        :key="one.name"
        class="grid grid-cols-[160px_1fr] gap-x-4 border-b border-rule py-1 max-md:grid-cols-1"
      >
        <legend class="sr-only">{{ one.about }}</legend>
        <b class="pt-2" aria-hidden="true">{{ one.about }}</b>
        <div class="grid grid-cols-[repeat(auto-fit,minmax(240px,1fr))] gap-x-6">
          <label
            v-for="way in one.ways"
            :key="way.way"
            class="flex min-h-11 items-start gap-3 py-2"
          >
            <input
              type="radio"
              class="mt-0.5 size-5 shrink-0 accent-ink"
              :name="one.name"
              :checked="
                house.house?.habits?.[one.name as keyof typeof house.house.habits] === way.way
              "
              @change="house.setHabit(one.name, way.way, one.about)"
            />
            <span
              ><b>{{ way.way }}</b
              ><span v-if="way.ours" class="text-14 text-soft">, our default</span
              ><span class="block text-14">{{ way.reason }}</span></span
            >
          </label>
        </div>
      </fieldset>
    </section>
    <OwnRows />
  </template>
  <p v-else class="py-3 text-soft" role="status">Reading the house …</p>
</template>
