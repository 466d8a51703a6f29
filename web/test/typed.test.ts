import { createApp, defineComponent, h, nextTick, ref, withDirectives } from 'vue';
import { vTyped } from '../src/ui/typed';

/** A field over a kept name that takes only what is not empty, beside a word that changes for reasons of its own. */
function fieldOver(first: string) {
  const name = ref(first);
  const word = ref('Kept');
  const app = createApp(
    defineComponent(
      () => () =>
        h('p', [
          word.value,
          withDirectives(
            h('input', {
              onChange: (event: Event) => {
                name.value = (event.target as HTMLInputElement).value.trim() || name.value;
              },
            }),
            [[vTyped, name.value]],
          ),
        ]),
    ),
  );
  const root = document.createElement('div');
  app.mount(root);
  const field = root.querySelector('input')!;
  const type = (text: string): void => {
    field.value = text;
    field.dispatchEvent(new Event('input'));
  };
  const leave = async (): Promise<void> => {
    field.dispatchEvent(new Event('change'));
    await nextTick();
    await nextTick();
  };
  return { name, word, field, type, leave };
}

test('what is half typed stays while the page is drawn anew for another reason', async () => {
  const { word, field, type, leave, name } = fieldOver('Ward');
  expect(field.value).toBe('Ward');
  type('Ward o');
  word.value = 'Keeping …';
  await nextTick();
  expect(field.value).toBe('Ward o');
  type('Ward one');
  word.value = 'Kept';
  await nextTick();
  await leave();
  expect(name.value).toBe('Ward one');
});

test('what was kept otherwise than typed, or not at all, is shown as it is kept', async () => {
  const { field, type, leave } = fieldOver('Ward');
  type('  Ward two  ');
  await leave();
  expect(field.value).toBe('Ward two');
  type('   ');
  await leave();
  expect(field.value).toBe('Ward two');
});

test('another kept text, by undo or from somebody else, takes the place of what stands there', async () => {
  const { name, field } = fieldOver('Ward');
  name.value = 'School';
  await nextTick();
  expect(field.value).toBe('School');
});
