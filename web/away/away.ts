import { ref } from 'vue'

/** Since when what is shown is the browser's own copy, because the server does not answer; null while it does. */
export const copyOf = ref<Date | null>(null)

/** Lets the browser open the pages while the server is away; only where it may (HTTPS or this machine), and built pages. */
export function keepPages(): void {
  if (import.meta.env.PROD && 'serviceWorker' in navigator && window.isSecureContext)
    window.addEventListener('load', () => void navigator.serviceWorker.register('/service.js').catch(() => undefined))
}

/** Forgets the copies of what the server answered: nobody is signed in here any more. */
export const forgetCopies = (): void =>
  (navigator as Partial<Navigator>).serviceWorker?.controller?.postMessage('forget')
