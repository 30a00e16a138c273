<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import { count } from '../../words'
import type { Book } from './book'
import NewRecipe from './NewRecipe.vue'
import RecipeFile from './RecipeFile.vue'
import RecipeList from './RecipeList.vue'
import SubjectFields from './SubjectFields.vue'

/** The recipe's name, which opens the others; what it is for; what it takes; keeping it. */
const props = defineProps<{ book: Book; look: Schemas['DraftReport'] | null }>()
const { list, code, begun, draft, chosen, asking, follow } = props.book
const { name, subject, passes } = draft
const naming = ref(false)
const about = ref(false)

const minutes = computed(() => passes.value.reduce((sum, one) => sum + one.minutes, 0))
const grave = computed(
  () => props.look?.findings.filter((one) => one.severity !== 'note').length ?? 0,
)
const waits = computed(() => {
  const hours = props.look?.hours ?? 0
  return hours >= 36
    ? `${Math.round(hours / 24)} days`
    : `${hours < 10 ? hours : Math.round(hours)} h`
})
const followed = computed(() => chosen.value?.used_by.map((one) => one.unit_name).join(', '))
const made = computed(() => {
  const { material, use, materials, fragile, scale } = subject.value
  const parts = (materials ?? []).map((one) => `${one.part} of ${one.material}`)
  const snaps = fragile?.length ? [`${fragile.join(', ')} fragile`] : []
  return [material, use === 'shown' ? 'shown' : 'played with', ...parts, ...snaps,
          `1/${scale}`].join(', ') // prettier-ignore
})

async function choose(id: string, close: () => void) {
  close()
  await props.book.choose(id)
}
</script>

<template>
  <div class="flex min-h-14 flex-wrap items-center justify-between gap-x-6 gap-y-1">
    <div class="flex min-w-0 flex-wrap items-center gap-x-5">
      <Popover v-slot="{ close }" class="relative min-w-0">
        <h1 class="min-w-0">
          <PopoverButton class="link min-h-11 max-w-full truncate px-0"
            >{{ name || 'Recipes' }}<span class="sr-only">: all recipes</span></PopoverButton
          >
        </h1>
        <PopoverPanel
          class="absolute top-12 left-0 z-20 max-h-[72vh] w-[380px] max-w-[calc(100vw-32px)] overflow-y-auto border border-key bg-ground px-3 py-2"
        >
          <RecipeList
            :list="list ?? []"
            :code="code"
            @choose="choose($event, close)"
            @back="book.putAway($event, false)"
          />
          <p class="flex flex-wrap gap-x-4 pt-1">
            <button class="link" @click="((naming = true), close())">New recipe</button>
            <RecipeFile @taken="(id: string) => (close(), book.taken(id))" />
          </p>
        </PopoverPanel>
      </Popover>
      <p class="fig text-16 text-soft">
        <template v-if="chosen"
          >version {{ chosen.recipe.version
          }}<template v-if="followed"> · used by {{ followed }}</template> · </template
        ><template v-else-if="begun">new · </template
        ><button
          class="link min-h-9 px-0"
          title="Change its name, and what it is for"
          :aria-expanded="about"
          @click="about = !about"
        >
          {{ made }}
        </button>
        · <b>{{ Math.round(minutes * 10) / 10 }} min</b> a model<template v-if="look?.seams.length">
          · <b>{{ waits }}</b> with waits ·
          <span role="status" :class="{ warn: grave }">{{
            grave ? `${count(grave, 'thing')} to mend` : 'nothing goes wrong'
          }}</span></template
        >
      </p>
    </div>
  </div>
  <NewRecipe
    v-if="naming"
    @begin="(called, kind) => ((naming = false), book.begin(called, kind))"
    @close="naming = false"
  />
  <section
    v-if="asking && chosen"
    class="mb-3 border-y border-rule py-3"
    role="alertdialog"
    aria-label="Which units follow"
  >
    <p>Units under way: which of them follow the new version? The others keep theirs.</p>
    <div class="my-2 flex flex-wrap gap-6">
      <label
        v-for="one in chosen.used_by"
        :key="one.muster + one.unit"
        class="flex min-h-11 items-center gap-2"
      >
        <input
          v-model="follow"
          type="checkbox"
          class="size-5 accent-ink"
          :value="`${one.muster}:${one.unit}`"
        />
        {{ one.unit_name }}, {{ one.muster_name }}
      </label>
    </div>
    <button class="btn btn-main" @click="book.keep">Keep it</button>
  </section>
  <div v-if="about" class="mb-2 flex flex-wrap items-end gap-4 border-y border-rule py-2">
    <label class="grid gap-1 text-14"
      >Name <input v-model="name" class="field w-64" maxlength="60"
    /></label>
    <SubjectFields v-model="subject" />
    <button class="btn" @click="about = false">Done</button>
  </div>
</template>
