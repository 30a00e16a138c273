import { ref } from 'vue'

export const keysOpen = ref(false)
