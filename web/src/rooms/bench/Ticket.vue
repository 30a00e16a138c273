<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import Swatch from '../../parts/Swatch.vue'
import { useMuster } from '../../muster'

/** The tray whose ticket was read: its next call, to be done now where that is not what is next. */
const route = useRoute()
const router = useRouter()
const muster = useMuster()
const tray = computed(() => (typeof route.query.tray === 'string' ? route.query.tray : null))
const strip = computed(() => muster.view?.board.rows.find((row) => row.id === tray.value))
const call = computed(
  () =>
    (muster.view?.board.calls ?? [])
      .filter((one) => one.tray === tray.value && one.start)
      .sort((a, b) => (a.start ?? '').localeCompare(b.start ?? ''))[0],
)
const isNext = computed(() => call.value && muster.view?.bench.call?.id === call.value.id)
const away = () => router.replace({ query: {} })

async function now() {
  const one = call.value
  if (!one) return
  const start = muster.stamp()
  const end = Date.parse(muster.view?.bench.sitting_end ?? '')
  const slack_s = Math.max(600, Math.round((end - Date.parse(start)) / 1000) || 3600)
  if (await muster.command({ do: 'pin_call', call: one.id, start, slack_s })) await away()
}
</script>

<template>
  <section
    v-if="tray && !isNext"
    class="my-2 flex flex-wrap items-center gap-x-4 gap-y-1 border-y border-rule py-2"
    aria-label="The tray of the ticket"
  >
    <template v-if="call">
      <Swatch :colour="call.colour" :finish="call.finish" />
      <p class="min-w-0 flex-1">
        <b>{{ call.tray_name }}</b>: next {{ call.name
        }}<template v-if="call.mix">, {{ call.mix }}</template
        >, planned for
        <b v-if="call.start">{{ muster.day(call.start) }} {{ muster.clock(call.start) }}</b>
      </p>
      <button class="btn" @click="now">Do it now</button>
      <RouterLink
        class="btn"
        :to="{ name: 'plan', params: { id: route.params.id }, query: { call: call.id } }"
        >Why then?</RouterLink
      >
    </template>
    <p v-else class="flex-1">
      <b>{{ strip?.name ?? 'This tray' }}</b>
      {{ strip ? 'has nothing to come that has a place.' : 'is not in this muster any more.' }}
    </p>
    <button class="link" @click="away">Put the ticket away</button>
  </section>
</template>
