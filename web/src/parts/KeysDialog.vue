<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { roomKeys, useKeys } from '../keys'
import { letterKeys } from '../light'
import { useRoute } from 'vue-router'
import { keysOpen } from './keysOpen'
import { useTour } from './tour'

const route = useRoute()
const tour = useTour()

function toured() {
  keysOpen.value = false
  tour.begin()
}

useKeys([{ key: '?', shows: '?', does: 'Show these keys', act: () => (keysOpen.value = true) }])
</script>

<template>
  <Dialog :open="keysOpen" class="relative z-20" @close="keysOpen = false">
    <div class="fixed inset-0 flex items-center justify-center bg-past p-4">
      <DialogPanel class="w-full max-w-md border-[1.5px] border-ink bg-ground p-6">
        <DialogTitle as="h2">Keys of this room</DialogTitle>
        <dl class="my-4 grid grid-cols-[90px_1fr] gap-y-2">
          <template v-for="key in roomKeys" :key="key.key + key.does">
            <dt>
              <span class="kbd fig">{{ key.shows }}</span>
            </dt>
            <dd>{{ key.does }}</dd>
          </template>
        </dl>
        <label class="mb-4 flex min-h-11 items-center gap-3">
          <input v-model="letterKeys" type="checkbox" class="size-5 accent-ink" />
          Letter keys work
        </label>
        <div class="flex gap-3">
          <button class="btn btn-main" @click="keysOpen = false">Close</button>
          <button v-if="route.params.id" class="btn" @click="toured">Take the tour</button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
