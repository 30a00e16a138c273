<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'

/** A figure of the head sentence; pressed, it opens what it is made of. */
defineProps<{ words: string; title: string }>()
</script>

<template>
  <Popover as="span" class="relative">
    <PopoverButton class="link px-0 text-18 max-md:text-16"
      ><b>{{ words }}</b></PopoverButton
    >
    <PopoverPanel
      class="fig absolute left-0 z-20 max-h-[70vh] w-72 overflow-y-auto border-[1.5px] border-ink bg-ground p-4 text-16"
    >
      <h2 class="mb-1">{{ title }}</h2>
      <ul>
        <slot />
      </ul>
    </PopoverPanel>
  </Popover>
</template>
