<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import { begun } from '../../words'
import type { Draft, Pass } from './draft'
import PassLine from './PassLine.vue'
import TrialPatch from './TrialPatch.vue'

/** The picked pass: its line of words, what follows from its layers, and what can be done to it. */
const props = defineProps<{
  draft: Draft
  pass: Pass
  seam?: Schemas['Seam']
  zones: string[]
  recipes: Schemas['RecipeOut'][]
  code: string
  first: boolean
  last: boolean
}>()
const open = defineModel<string | null>('open', { required: true })
const trials = defineModel<Schemas['TrialOut'][]>('trials', { required: true })
const emit = defineEmits<{ mend: [way: Schemas['PricedRepair']]; out: [] }>()

const trying = ref(false)
const tried = computed(() => trials.value.some((one) => one.key === props.pass.key))

/** A draft that cannot be looked at still says what it is: a technique and its minutes. */
const line = computed<Schemas['Word'][]>(
  () =>
    props.seam?.line ?? [
      { field: 'technique', text: props.pass.technique, stated: true, quiet: false },
      { field: 'minutes', text: `${props.pass.minutes} min a model`, stated: true, quiet: false },
    ],
)
const follows = computed(() => {
  const { seam } = props
  if (!seam) return []
  const said: string[] = []
  if (seam.wait || seam.stated) {
    const stated = seam.stated
      ? `, stated by you${seam.needed && seam.needed !== seam.wait ? `; ${seam.needed} needed` : ''}`
      : ''
    said.push(`wait ${seam.wait || 'nothing'}${stated}${seam.why ? `: ${seam.why}` : ''}`)
  }
  if (seam.within) said.push(`the next comes within ${seam.within}`)
  if (seam.shows) said.push(seam.shows)
  if (seam.instead) said.push(`in this house with ${seam.instead} instead`)
  return [...said, ...seam.cautions]
})
</script>

<template>
  <div class="pb-2 pl-9 max-md:pl-0">
    <PassLine
      v-model:open="open"
      :pass="pass"
      :line="line"
      :zones="[...zones, 'recesses', 'edges']"
      :recipes="recipes"
      @set="draft.edit"
    />
    <p v-for="one in follows" :key="one" class="fig text-14 text-soft">{{ one }}</p>
    <p v-if="seam?.offer">
      <button class="link min-h-9 px-0" @click="emit('mend', seam.offer)">
        {{ begun(seam.offer.words) }}, {{ seam.offer.cost }}
      </button>
    </p>
    <p class="flex flex-wrap gap-x-5 text-14">
      <button
        class="link min-h-9 px-0 max-md:min-h-11"
        :disabled="last"
        :aria-label="`Move ${pass.name} up`"
        @click="draft.move(pass.key, 1)"
      >
        up
      </button>
      <button
        class="link min-h-9 px-0 max-md:min-h-11"
        :disabled="first"
        :aria-label="`Move ${pass.name} down`"
        @click="draft.move(pass.key, -1)"
      >
        down
      </button>
      <template v-if="seam?.thickens">
        <button
          class="link min-h-9 px-0 max-md:min-h-11"
          :aria-label="`${pass.name} thicker`"
          @click="draft.thicken(pass.key, seam.thickens, 1)"
        >
          thicker
        </button>
        <button
          class="link min-h-9 px-0 max-md:min-h-11"
          :disabled="(pass[seam.thickens] ?? 1) <= 1"
          :aria-label="`${pass.name} thinner`"
          @click="draft.thicken(pass.key, seam.thickens, -1)"
        >
          thinner
        </button>
      </template>
      <button
        class="link min-h-9 px-0 max-md:min-h-11"
        :aria-label="`Change the name of ${pass.name}`"
        @click="open = 'name'"
      >
        name
      </button>
      <button
        class="link min-h-9 px-0 max-md:min-h-11"
        :aria-label="`take it out: ${pass.name}`"
        @click="emit('out')"
      >
        take it out
      </button>
      <button
        v-if="code"
        class="link min-h-9 px-0 max-md:min-h-11"
        :aria-expanded="trying"
        @click="trying = !trying"
      >
        a trial patch
      </button>
    </p>
    <TrialPatch
      v-if="code && (trying || tried)"
      v-model="trials"
      :code="code"
      :pass-key="pass.key"
      :name="pass.name"
    />
  </div>
</template>
