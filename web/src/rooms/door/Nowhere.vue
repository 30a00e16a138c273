<template>
  <h1>There is nothing here</h1>
  <p class="my-4">The address does not lead to a room.</p>
  <RouterLink class="btn btn-main" to="/musters">To your musters</RouterLink>
</template>
