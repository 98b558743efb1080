import { ref, watch, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'

/** The token of a letter, out of the address it opened: it is taken out of it at once, so that no history keeps it. */
export function useToken(): Readonly<Ref<string>> {
  const route = useRoute()
  const router = useRouter()
  const token = ref('')
  // a link pasted into a page that is open already changes the end of its address alone
  watch(
    () => route.hash,
    (hash) => {
      if (hash.length <= 1) return
      token.value = hash.slice(1)
      void router.replace({ path: route.path, hash: '' })
    },
    { immediate: true },
  )
  return token
}
