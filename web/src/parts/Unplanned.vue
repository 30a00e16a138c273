<script setup lang="ts">
/** What could not be worked out, so that the rest could: the newest change can be taken back. */
defineProps<{ words: string[] }>()
</script>

<template>
  <div class="border-b border-rule py-2" role="status">
    <p v-for="one in words" :key="one" class="max-w-[80ch]">
      <span class="warn">Without a plan:</span> {{ one }}
    </p>
  </div>
</template>
