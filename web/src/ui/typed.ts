/**
 * A field that is kept when it is left: `v-typed="what is kept"` beside `@change`. With `:value` a page that is drawn anew for any
 * other reason, as when an earlier change was saved, would put the kept text over a half-typed one.
 */
import { type Directive, nextTick } from 'vue';

type Field = HTMLInputElement | HTMLTextAreaElement;
type Typed = string | number | null;

const kept = new WeakMap<Field, string>();

function show(field: Field, value: Typed): void {
  const text = String(value ?? '');
  kept.set(field, text);
  // Set only where it differs: a date that is typed part by part begins anew with every setting.
  if (field.value !== text) field.value = text;
}

export const vTyped: Directive<Field, Typed> = {
  mounted(field, { value }) {
    show(field, value);
    // What was refused, or kept otherwise than typed, is shown as it is kept, once the page has taken it in.
    field.addEventListener('change', () => void nextTick(() => show(field, kept.get(field) ?? '')));
  },
  updated(field, { value }) {
    if (String(value ?? '') !== kept.get(field)) show(field, value);
  },
};
