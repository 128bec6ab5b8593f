import { AFTER_MS } from '@/shared/ui/later'

/**
 * The program itself stays on the device, so that it opens where there is no network; nothing of it on a plain `http`
 * address other than this machine's own, for a browser keeps nothing from those.
 */
export function keepShell(): void {
  if (!('serviceWorker' in navigator) || !window.isSecureContext) return
  window.setTimeout(() => {
    void navigator.serviceWorker
      .register('/shell.js')
      .then(() => navigator.serviceWorker.ready)
      .then((ready) => ready.active?.postMessage('keep'))
      .catch(() => undefined)
  }, AFTER_MS)
}
