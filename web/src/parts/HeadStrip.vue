<script setup lang="ts">
import { computed, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useMuster } from '../muster'
import { date, hours } from '../words'
import Complaints from './Complaints.vue'

const muster = useMuster()
const route = useRoute()
const id = computed(() => Number(route.params.id))
const head = computed(() => muster.view?.head)
const room = (name: string) => ({ name, params: { id: id.value } })

watch(id, (now) => now && muster.load(now), { immediate: true })
</script>

<template>
  <header
    class="flex min-h-14 flex-wrap items-center gap-x-4 border-b border-rule px-4 py-2 text-18"
    :class="{ 'tall max-md:hidden': route.name === 'bench' }"
  >
    <p v-if="head" class="flex-1">
      <RouterLink :to="room('roll')" class="link px-0"
        ><b>{{ head.name }}</b></RouterLink
      >
      muster ·
      <RouterLink :to="room('roll')" class="link px-0"
        ><b>{{ head.models_left }} of {{ head.models }}</b></RouterLink
      >
      models still to do ·
      <RouterLink :to="room('plan')" class="link px-0"
        ><b>{{ hours(head.bench_s) }}</b></RouterLink
      >
      at the bench<template v-if="head.parade_day">
        · parade
        <RouterLink :to="room('plan')" class="link px-0"
          ><b>{{ date(head.parade_day) }}</b></RouterLink
        ></template
      >
      ·
      <span v-if="!head.possible" class="warn">does not fit: see Plan</span>
      <span v-else-if="head.late_models" class="warn">{{ head.late_models }} models late</span>
      <RouterLink v-else :to="room('plan')" class="link px-0"
        ><b
          >{{ head.sittings_in_hand }} {{ head.sittings_in_hand === 1 ? 'sitting' : 'sittings' }}</b
        >
        in hand</RouterLink
      >
    </p>
    <p v-else class="flex-1 text-soft" role="status">Reading the muster …</p>
    <span v-if="muster.waiting.length" class="text-14" role="status"
      >{{ muster.waiting.length }} kept here, not yet sent
      <button class="link" @click="muster.send()">Send now</button></span
    >
  </header>
  <Complaints class="px-4" />
</template>
