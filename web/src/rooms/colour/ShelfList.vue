<script setup lang="ts">
import { computed, ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import Patch from '../../parts/Patch.vue'
import { useShelf } from '../../shelf'
import { useUpload } from '../../upload'
import { useVocabulary } from '../../vocabulary'
import { count } from '../../words'
import ActButton from '../../parts/ActButton.vue'

/** The paints: typed in, taken from a file, looked for, chosen. */
const chosen = defineModel<number | null>({ required: true })
const emit = defineEmits<{ put: [paint: number] }>()
const shelf = useShelf()
const known = useVocabulary()
const line = ref('')
const seek = ref('')
const { preview, choose, taken, leave } = useUpload(
  (form) => told(client.POST('/api/shelf-file/preview', form)),
  (form) => told(client.POST('/api/shelf-file', form)),
)

const shown = computed(() => {
  const words = seek.value.toLowerCase()
  return (shelf.paints ?? []).filter((one) =>
    `${one.paint.name} ${one.paint.range} ${one.paint.code} ${one.paint.medium}`
      .toLowerCase()
      .includes(words),
  )
})

async function add() {
  if (await shelf.type(line.value)) line.value = ''
}

async function take() {
  const found = await taken()
  if (found) shelf.paints = found
}

function left(one: Schemas['PaintOut']): string {
  const ml = one.paint.left_ml
  if (ml === null || ml === undefined) return ''
  return ml === 0 ? 'used up' : `${Math.round(ml * 10) / 10} ml`
}
</script>

<template>
  <section aria-label="Shelf">
    <form class="grid gap-1" @submit.prevent="add">
      <label class="grid gap-1 text-14"
        >Add a paint
        <input
          v-model="line"
          class="field w-full"
          required
          maxlength="200"
          placeholder="Reed green #66703f 17 ml 3.20"
      /></label>
    </form>
    <div class="my-2 flex flex-wrap gap-x-3">
      <label class="link cursor-pointer content-center focus-within:outline-2"
        >From a file<input
          type="file"
          accept=".csv,.gpl,.json,.txt"
          class="sr-only"
          @change="choose"
      /></label>
      <a
        v-for="kind in ['csv', 'gpl', 'json']"
        :key="kind"
        class="link content-center"
        :href="`/api/shelf-file?kind=${kind}`"
        download
        >{{ kind }}</a
      >
    </div>
    <div v-if="preview" class="mb-2 border-y border-rule py-2" role="status">
      <p>
        {{ count(preview.new.length, 'new paint')
        }}<template v-if="preview.known.length"
          >; {{ preview.known.length }} stand here already</template
        >.
      </p>
      <p v-if="preview.sounds_like.length" class="text-14">
        By their names {{ preview.sounds_like.map((one) => one.name).join(', ') }} may be of another
        kind: confirm it on their cards.
      </p>
      <ActButton
        main
        :why="preview.new.length ? null : 'all of them stand on the shelf already'"
        @press="take"
      >
        Take in
      </ActButton>
      <button class="btn ml-2" @click="leave">Leave</button>
    </div>
    <p v-if="shelf.off" class="my-1 text-14" role="status">
      {{ shelf.off.paint.name }} taken off.
      <button class="link" @click="shelf.putBack">Put it back</button>
    </p>
    <p v-if="!shelf.paints?.length" class="py-3 text-soft">
      The shelf is empty. Type a paint with its label's colour, or take in a file.
    </p>
    <template v-else>
      <label class="grid gap-1 text-14"
        >Look for <input v-model="seek" type="search" class="field w-full" placeholder="green"
      /></label>
      <ul
        class="mt-1 max-h-[62vh] overflow-y-auto max-md:max-h-64"
        aria-label="Paints"
        tabindex="-1"
      >
        <li
          v-for="one in shown"
          :key="one.id"
          class="flex items-center gap-2 border-b border-l-4 border-rule border-l-transparent pl-1"
          :class="{ 'border-l-ink!': one.id === chosen }"
        >
          <button
            class="flex min-h-11 min-w-0 flex-1 items-center gap-2 text-left"
            :aria-current="one.id === chosen"
            @click="chosen = one.id === chosen ? null : one.id"
          >
            <Patch :colour="one.clear ? 'var(--paper)' : one.dry" :width="32" :height="24" />
            <span class="min-w-0 flex-1 truncate">{{ one.called }}</span>
            <b v-if="one.sounds_like" :title="`Is it ${known.paint_kinds[one.sounds_like]}?`"
              >?<span class="sr-only"> Is it {{ known.paint_kinds[one.sounds_like] }}?</span></b
            >
            <span class="fig text-14 text-soft" :class="{ warn: one.paint.left_ml === 0 }">{{
              left(one)
            }}</span>
          </button>
          <button
            v-if="!one.clear"
            class="link w-9"
            :aria-label="`+1 drop of ${one.paint.name}`"
            @click="emit('put', one.id)"
          >
            +1
          </button>
        </li>
      </ul>
    </template>
  </section>
</template>
