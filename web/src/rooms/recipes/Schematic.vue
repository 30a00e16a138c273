<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import { useSchematics } from '../../schematics'

/** The subject with its zones in the colours that they will have: pressed, each shows its stack. */
const props = defineProps<{
  kind: Schemas['DraftIn']['kind']
  look: Schemas['DraftReport']
  picked: string | null
  zone: string
  /** Pressing says where the picked pass lies. */
  choosing: boolean
}>()
const emit = defineEmits<{ press: [zone: string] }>()
const known = useSchematics()
const over = ref('')

const shapes = computed(() => known.value?.drawings[props.kind] ?? [])
const clear = computed(() => known.value?.clear[props.kind] ?? [])
const zones = computed(() => [...new Set(shapes.value.map((one) => one.zone))])
const upTo = computed(() => {
  const index = props.look.seams.findIndex((one) => one.key === props.picked)
  return index < 0 ? props.look.seams.length - 1 : index
})
/** Colours as they are after the picked pass, or at the end. */
const colours = computed(() => {
  const found: Record<string, string> = {}
  for (const seam of props.look.seams.slice(0, upTo.value + 1))
    for (const [name, seen] of Object.entries(seam.appearances)) found[name] = seen.flat
  return found
})
const covered = computed(
  () => props.look.seams.find((one) => one.key === props.picked)?.zones ?? [],
)
const forgotten = (zone: string) => props.look.uncovered.includes(zone)

function label(zone: string): string {
  const said = [zone]
  if (covered.value.includes(zone)) said.push('in this pass')
  if (forgotten(zone)) said.push('no paint yet')
  if (props.look.grounded.includes(zone)) said.push('undercoat only')
  return said.join(', ')
}
const words = computed(() => {
  if (over.value) return label(over.value)
  if (props.choosing) return 'press the places that it is done to'
  return props.zone
})
</script>

<template>
  <figure class="bg-paper px-3 pt-3 pb-2">
    <svg
      v-if="known"
      :viewBox="`-4 -4 ${known.width + 8} ${known.height + 8}`"
      class="block h-auto max-h-[264px] w-full"
      role="group"
      :aria-label="`Zones of the ${kind}`"
    >
      <g
        v-for="name in zones"
        :key="name"
        role="button"
        tabindex="0"
        class="zone cursor-pointer"
        :aria-label="label(name)"
        :aria-pressed="choosing ? covered.includes(name) : zone === name"
        @click="emit('press', name)"
        @keydown.enter.prevent="emit('press', name)"
        @keydown.space.prevent="emit('press', name)"
        @pointerenter="over = name"
        @pointerleave="over = ''"
        @focus="over = name"
        @blur="over = ''"
      >
        <path
          v-for="shape in shapes.filter((one) => one.zone === name)"
          :key="shape.path"
          :d="shape.path"
          fill-rule="evenodd"
          :fill="colours[name] ?? (clear.includes(name) ? 'var(--ground)' : look.bare.flat)"
          :stroke="
            forgotten(name)
              ? 'var(--warning)'
              : covered.includes(name) || zone === name
                ? 'var(--ink)'
                : 'var(--key)'
          "
          :stroke-width="
            zone === name || forgotten(name) ? 2.5 : covered.includes(name) ? 1.75 : 0.75
          "
          :stroke-dasharray="forgotten(name) ? '5 3' : undefined"
          stroke-linejoin="round"
        />
      </g>
    </svg>
    <figcaption class="fig flex min-h-6 flex-wrap justify-between gap-x-3 text-14 text-soft">
      <span>{{ words }}</span>
      <span v-if="look.uncovered.length" class="warn">bare: {{ look.uncovered.join(', ') }}</span>
      <span v-else-if="look.grounded.length">undercoat only: {{ look.grounded.join(', ') }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.zone:focus-visible {
  outline: none;
}
.zone:focus-visible path {
  stroke: var(--ink);
  stroke-width: 4;
}
</style>
