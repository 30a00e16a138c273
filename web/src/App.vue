<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import HeadStrip from './parts/HeadStrip.vue'
import KeysDialog from './parts/KeysDialog.vue'
import RoomColumn from './parts/RoomColumn.vue'
import Tour from './parts/Tour.vue'
import TourOffer from './parts/TourOffer.vue'
import { beginFinding, finding } from './finding'
import { useKeyboard, useKeys } from './keys'
import { turnLight } from './light'
import { rooms } from './router'

/** Not in the first script: nobody looks for anything in the first second. */
const Find = defineAsyncComponent(() => import('./parts/Find.vue'))

const route = useRoute()
const router = useRouter()
const inMuster = computed(() => Boolean(route.params.id))

useKeys([
  ...rooms.map((room) => ({
    key: room.key,
    shows: room.key,
    does: `Go to ${room.label}`,
    act: () => {
      if (inMuster.value) void router.push({ name: room.name, params: { id: route.params.id } })
    },
  })),
  {
    key: '/',
    shows: '/ or a word',
    does: 'Find a unit, call, recipe, paint, room or act',
    act: () => inMuster.value && beginFinding(),
  },
  { key: 'l', shows: 'L', does: 'Change the light: day or lamp', act: turnLight },
])
useKeyboard(() => inMuster.value)
</script>

<template>
  <div v-if="inMuster" class="flex min-h-screen max-md:flex-col-reverse">
    <RoomColumn />
    <div class="flex min-w-0 flex-1 flex-col">
      <HeadStrip />
      <TourOffer />
      <main id="room" class="min-w-0 flex-1 px-4 pb-4 max-md:pt-2 max-md:pb-24">
        <RouterView />
      </main>
      <Tour />
    </div>
  </div>
  <main v-else class="mx-auto max-w-[760px] px-6 py-10"><RouterView /></main>
  <Find v-if="inMuster && finding !== null" />
  <KeysDialog />
</template>
