/** Keeps the stove awake: the screen, the sound, the clock, and the record of what others write. */
import { useIntervalFn, useWakeLock } from '@vueuse/core';
import { onBeforeUnmount, onMounted } from 'vue';
import { wakeSound } from './offline/sound';
import { useStove } from './offline/stove';

/** @returns what is called at each touch: browsers let a page sound and stay awake only after one */
export function useAwake(): () => void {
  const stove = useStove();
  const wake = useWakeLock();
  useIntervalFn(() => stove.tell(), 1000);
  useIntervalFn(() => void stove.reread(), stove.REREAD_MS);
  const comeBack = (): void => void stove.reread();
  onMounted(() => {
    addEventListener('online', comeBack);
    document.addEventListener('visibilitychange', comeBack);
  });
  onBeforeUnmount(() => {
    removeEventListener('online', comeBack);
    document.removeEventListener('visibilitychange', comeBack);
    void wake.release();
  });
  return () => {
    wakeSound();
    if (wake.isSupported.value && !wake.isActive.value) void wake.request('screen').catch(() => undefined);
  };
}
