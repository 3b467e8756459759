import { defineStore } from 'pinia'
import { ref } from 'vue'

/** Whether the help is open: the bench bar opens it on a wide screen, the top line on a small one, "?" on any. */
export const useHelpStore = defineStore('help', () => ({ open: ref(false) }))
