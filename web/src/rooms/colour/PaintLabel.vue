<script setup lang="ts">
import { onMounted } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { client, told } from '../../api/client'
import Complaints from '../../parts/Complaints.vue'
import { useMuster } from '../../muster'

/** Where the code of a shelf label leads: to the paint's card, in the muster in view or the newest. */
const route = useRoute()
const router = useRouter()
const muster = useMuster()

onMounted(async () => {
  const list = await muster.attempt(() => told(client.GET('/api/musters')))
  if (!list) return router.replace('/')
  const id = muster.view?.id ?? list[0]?.id
  const to = id
    ? { path: `/${id}/colour`, query: { paint: String(route.params.paint) } }
    : '/musters'
  await router.replace(to)
})
</script>

<template>
  <p role="status">Looking for the paint …</p>
  <Complaints />
</template>
