<script setup lang="ts">
import type { Schemas } from '../../api/client'

/** What it looks like after a pass: recess, flat and edge, in that order. */
defineProps<{ look: Schemas['Appearance'] }>()
</script>

<template>
  <svg
    width="98"
    height="28"
    class="shrink-0 bg-paper"
    role="img"
    :aria-label="`recess ${look.recess}, flat ${look.flat}, edge ${look.edge}`"
  >
    <title>recess {{ look.recess }}, flat {{ look.flat }}, edge {{ look.edge }}</title>
    <rect x="1" y="1" width="32" height="26" :fill="look.recess" />
    <rect x="33" y="1" width="32" height="26" :fill="look.flat" />
    <rect x="65" y="1" width="32" height="26" :fill="look.edge" />
    <rect x=".5" y=".5" width="97" height="27" fill="none" stroke="var(--key)" />
  </svg>
</template>
