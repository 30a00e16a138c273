<script setup lang="ts">
import type { Schemas } from '../../api/client'

/** What it looks like after a pass: recess, flat and edge. */
defineProps<{ look: Schemas['Appearance'] }>()
</script>

<template>
  <svg
    width="84"
    height="26"
    class="shrink-0 bg-paper max-md:hidden"
    role="img"
    :aria-label="`recess ${look.recess}, flat ${look.flat}, edge ${look.edge}`"
  >
    <title>recess, flat, edge</title>
    <rect x="1" y="1" width="27" height="24" :fill="look.recess" />
    <rect x="28" y="1" width="28" height="24" :fill="look.flat" />
    <rect x="56" y="1" width="27" height="24" :fill="look.edge" />
    <rect x=".5" y=".5" width="83" height="25" fill="none" stroke="var(--key)" />
  </svg>
</template>
