<script setup lang="ts">
import { useRoute } from 'vue-router'
import { beginFinding } from '../finding'
import { keysOpen } from './keysOpen'
import { light, turnLight } from '../light'
import { rooms } from '../router'

const route = useRoute()
</script>

<template>
  <nav
    aria-label="Rooms"
    class="sticky top-0 flex h-screen w-28 shrink-0 flex-col border-r border-rule pt-[72px] pb-3 max-md:fixed max-md:top-auto max-md:bottom-0 max-md:h-auto max-md:z-10 max-md:w-full max-md:flex-row max-md:border-t max-md:border-r-0 max-md:bg-ground max-md:py-0"
  >
    <RouterLink
      v-for="room in rooms"
      :key="room.name"
      :to="{ name: room.name, params: { id: route.params.id } }"
      class="flex min-h-11 items-center gap-3 border-l-4 border-transparent px-3 max-md:flex-1 max-md:justify-center max-md:border-t-4 max-md:border-l-0 max-md:px-1"
      active-class="border-l-ink! font-bold max-md:border-t-ink!"
    >
      <span class="fig text-14 text-soft max-md:hidden">{{ room.key }}</span>
      <span>{{ room.label }}</span>
    </RouterLink>
    <div class="flex-1 max-md:hidden" />
    <button
      class="flex min-h-11 items-center justify-between px-4 max-md:hidden"
      @click="beginFinding()"
    >
      <span>Find</span><b>/</b>
    </button>
    <RouterLink
      :to="{ name: 'house', params: { id: route.params.id } }"
      class="flex min-h-11 items-center border-l-4 border-transparent px-3 max-md:hidden"
      active-class="border-l-ink! font-bold"
      >House</RouterLink
    >
    <RouterLink to="/musters" class="flex min-h-11 items-center px-4 max-md:hidden"
      >Musters</RouterLink
    >
    <button
      class="flex min-h-11 items-center justify-between px-4 max-md:hidden"
      @click="turnLight"
    >
      <span>{{ light === 'day' ? 'Lamp' : 'Day' }}</span><b>L</b>
    </button>
    <button
      class="flex min-h-11 items-center justify-between px-4 max-md:hidden"
      @click="keysOpen = true"
    >
      <span>Keys</span><b>?</b>
    </button>
  </nav>
</template>
