<script setup lang="ts">
import { useMuster } from '../muster'

const muster = useMuster()
</script>

<template>
  <div role="alert">
    <ul v-if="muster.complaints.length" class="border-b border-rule py-2">
      <li v-for="one in muster.complaints" :key="one" class="max-w-[70ch]">
        <span class="warn">Not done:</span> {{ one }}
      </li>
      <li><button class="link" @click="muster.complaints = []">Understood</button></li>
    </ul>
  </div>
</template>
