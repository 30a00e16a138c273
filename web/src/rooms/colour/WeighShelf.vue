<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { useShelf, type Paint } from '../../shelf'

/** The whole shelf on the scale: grams with the pot, Enter goes to the next; or from the scale. */
const props = defineProps<{ paints: Paint[] }>()
const emit = defineEmits<{ close: [] }>()
const shelf = useShelf()
const grams = ref<Record<number, string>>({})
const list = useTemplateRef<HTMLElement>('list')
const typed = computed(() =>
  props.paints.flatMap((one) => {
    const said = String(grams.value[one.id] ?? '').trim()
    return said ? [`${one.called} ${said}`] : []
  }),
)

function next(event: KeyboardEvent, by: number) {
  const all = [...(list.value?.querySelectorAll('input') ?? [])]
  const at = all.indexOf(event.target as HTMLInputElement)
  all[at + by]?.focus()
  all[at + by]?.select()
}

/** From the scale, then on to the next pot. */
async function weigh(one: Paint, event: Event) {
  const row = (event.target as HTMLElement).closest('li')
  await shelf.weigh(one.id, null)
  await nextTick()
  row?.nextElementSibling?.querySelector('button')?.focus()
}

async function keep() {
  if (await shelf.weighings(typed.value.join('\n'))) {
    grams.value = {}
    emit('close')
  }
}
</script>

<template>
  <form class="my-2 border-y border-rule py-2" aria-label="Weigh the shelf" @submit.prevent="keep">
    <p class="text-14 text-soft">Grams with the pot; Enter goes on to the next.</p>
    <ol ref="list" class="max-h-[50vh] overflow-y-auto">
      <li
        v-for="one in paints"
        :key="one.id"
        class="flex min-h-11 items-center gap-2 border-b border-rule"
      >
        <span class="min-w-0 flex-1 truncate">{{ one.called }}</span>
        <span v-if="one.paint.left_ml != null" class="fig text-14 text-soft"
          >{{ Math.round(one.paint.left_ml * 10) / 10 }} ml</span
        >
        <input
          v-model="grams[one.id]"
          class="field fig w-16 px-2"
          inputmode="decimal"
          :aria-label="`Grams of ${one.called}`"
          @keydown.enter.prevent="next($event, 1)"
          @keydown.down.prevent="next($event, 1)"
          @keydown.up.prevent="next($event, -1)"
        />
        <button
          class="link px-0"
          type="button"
          :aria-label="`${one.called} from the scale`"
          @click="weigh(one, $event)"
        >
          scale
        </button>
      </li>
    </ol>
    <p class="mt-2 flex flex-wrap gap-3">
      <button class="btn btn-main" :disabled="!typed.length">
        Keep {{ typed.length || 'the' }} {{ typed.length === 1 ? 'weight' : 'weights' }}
      </button>
      <button class="btn" type="button" @click="emit('close')">Close</button>
    </p>
  </form>
</template>
