/** The scale beside the screen: its weights as they come, and the field they go into. */
import { useSessionStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';

export interface Weighing {
  grams: number;
  isStable: boolean;
}

/** A field takes weights when it says so: `data-takes-weight`. */
const TAKES = '[data-takes-weight]';

export const useScale = defineStore('scale', () => {
  /** Whether this screen listens to the scale; it goes on listening after a reload. */
  const isOn = useSessionStorage('hand-ladle.scale', false);
  const isLost = ref(false);
  const last = shallowRef<Weighing | null>(null);
  /** Name of the field that takes the next weight; empty while none is in focus. */
  const fieldName = ref('');
  let stream: EventSource | null = null;
  let field: HTMLInputElement | null = null;

  function follow(event: FocusEvent): void {
    const target = event.target instanceof HTMLElement ? event.target.closest<HTMLInputElement>(TAKES) : null;
    // A tap on the scale itself does not take the field away from it.
    if (!target && event.target instanceof HTMLElement && event.target.closest('[data-scale]')) return;
    field = target;
    fieldName.value = target ? (target.getAttribute('aria-label') ?? 'this field') : '';
  }

  function turnOn(): void {
    if (stream) return;
    isOn.value = true;
    document.addEventListener('focusin', follow);
    stream = new EventSource('/api/scale');
    stream.addEventListener('weight', (event) => {
      last.value = JSON.parse(event.data as string) as Weighing;
      isLost.value = false;
    });
    stream.addEventListener('error', () => (isLost.value = true));
  }

  function turnOff(): void {
    stream?.close();
    stream = null;
    isOn.value = false;
    last.value = null;
    document.removeEventListener('focusin', follow);
  }

  if (isOn.value) turnOn();

  /** Puts the weight at rest into the field in focus, as if it were typed. */
  function take(): boolean {
    if (!field?.isConnected || !last.value?.isStable) return false;
    field.value = String(last.value.grams);
    field.dispatchEvent(new Event('input', { bubbles: true }));
    field.dispatchEvent(new Event('change', { bubbles: true }));
    field.focus();
    return true;
  }

  return { isOn, isLost, last, fieldName, turnOn, turnOff, take };
});
