import { onBeforeUnmount, onMounted } from 'vue'

/** Keep the screen on while the page is open, where the browser can. */
export function useAwake(): void {
  let lock: WakeLockSentinel | undefined
  async function hold() {
    try {
      if (document.visibilityState === 'visible') lock = await navigator.wakeLock?.request('screen')
    } catch {
      // Low battery or no permission: the screen goes dark as it always did.
    }
  }
  onMounted(() => {
    void hold()
    document.addEventListener('visibilitychange', hold)
  })
  onBeforeUnmount(() => {
    document.removeEventListener('visibilitychange', hold)
    void lock?.release().catch(() => undefined)
  })
}
