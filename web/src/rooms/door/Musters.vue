<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { client, told, type Schemas } from '../../api/client'
import Complaints from '../../parts/Complaints.vue'
import { useMuster } from '../../muster'
import { useUpload } from '../../upload'
import { count, date } from '../../words'

const router = useRouter()
const muster = useMuster()
const list = ref<Schemas['MusterName'][] | null>(null)
const { preview, choose, taken } = useUpload(
  (form) => told(client.POST('/api/import/preview', form)),
  (form) => told(client.POST('/api/import', form)),
)
const leaving = ref(false)
const removing = ref<number | null>(null)
const password = ref('')

onMounted(async () => {
  list.value = await muster.attempt(() => told(client.GET('/api/musters')))
  if (!list.value) await router.replace('/')
})

async function take() {
  const done = await taken()
  if (done) await router.push(`/${done.id}/roll`)
}

async function remove(id: number) {
  const path = { muster_id: id }
  const gone = await muster.attempt(async () => {
    await told(client.DELETE('/api/musters/{muster_id}', { params: { path } }))
    return true
  })
  if (!gone) return
  removing.value = null
  list.value = await muster.attempt(() => told(client.GET('/api/musters')))
}

async function leave() {
  const gone = await muster.attempt(() =>
    told(client.POST('/api/me/delete', { body: { password: password.value } })),
  )
  if (gone) await router.push('/')
}

async function signOut() {
  await muster.attempt(() => told(client.POST('/api/sign-out')))
  await router.push('/')
}
</script>

<template>
  <div class="flex items-center justify-between">
    <h1>Musters</h1>
    <button class="link" @click="signOut">Sign out</button>
  </div>
  <Complaints />
  <ul v-if="list?.length" class="my-4">
    <li
      v-for="one in list"
      :key="one.id"
      class="flex min-h-12 flex-wrap items-center gap-x-4 border-b border-rule"
    >
      <RouterLink :to="`/${one.id}/plan`" class="flex min-h-12 flex-1 items-center gap-4 text-18"
        ><b>{{ one.name }}</b>
        <span class="fig text-16 text-soft"
          >{{ count(one.models, 'model')
          }}<template v-if="one.parade_day">, parade {{ date(one.parade_day) }}</template></span
        ></RouterLink
      >
      <button
        class="link"
        :aria-expanded="removing === one.id"
        :aria-label="`Remove ${one.name}`"
        @click="removing = removing === one.id ? null : one.id"
      >
        {{ removing === one.id ? 'Keep it' : 'Remove' }}
      </button>
      <p v-if="removing === one.id" class="w-full pb-3" role="alert">
        With it go its plan and all that was ticked, for good.
        <a class="link" :href="`/api/musters/${one.id}/file`" download>Export it first</a>
        <button class="btn ml-3" @click="remove(one.id)">Remove {{ one.name }}</button>
      </p>
    </li>
  </ul>
  <p v-else-if="list" class="my-4">There is no muster yet. Begin with what stands on the shelf.</p>
  <RouterLink to="/begin" class="btn btn-main">Begin a muster</RouterLink>
  <section class="mt-10 border-t border-rule pt-4">
    <h2>Import a muster</h2>
    <label class="my-3 grid gap-1"
      >A file in the format crisp-muster/muster
      <input type="file" accept="application/json,.json" class="field py-2" @change="choose" />
    </label>
    <div v-if="preview">
      <p>
        <b>{{ preview.name }}</b>: {{ preview.units.join(', ') }};
        {{ count(preview.models, 'model') }}, {{ count(preview.sittings, 'sitting') }},
        {{ count(preview.facts, 'fact') }}.
        <template v-if="preview.new_recipes.length"
          >New recipes: {{ preview.new_recipes.join(', ') }}.</template
        >
      </p>
      <button class="btn btn-main mt-3" @click="take">Import it</button>
    </div>
  </section>
  <section class="mt-10 border-t border-rule pt-4">
    <h2>Your account</h2>
    <div class="my-3 flex flex-wrap items-center gap-4">
      <a class="btn" href="/api/me/file" download>Export all that is yours</a>
      <button class="btn" :aria-expanded="leaving" @click="leaving = !leaving">
        Delete the account
      </button>
    </div>
    <form v-if="leaving" class="flex flex-wrap items-end gap-3" @submit.prevent="leave">
      <label class="grid gap-1 text-14"
        >Your password, to delete all musters and recipes for good
        <input
          v-model="password"
          class="field w-72"
          type="password"
          autocomplete="current-password"
          required
      /></label>
      <button class="btn">Delete everything</button>
    </form>
  </section>
</template>
