<script setup lang="ts">
import { useMuster } from '../muster'

/** What was done at the bench and is not at the server yet: nothing went wrong, it is kept. */
const muster = useMuster()
</script>

<template>
  <span v-if="muster.waiting.length" class="text-14" role="status"
    >{{ muster.waiting.length }} kept here, not yet sent
    <RouterLink v-if="muster.failed === 401" class="link" to="/">Sign in to send</RouterLink>
    <button v-else class="link" @click="muster.send()">Send now</button></span
  >
</template>
