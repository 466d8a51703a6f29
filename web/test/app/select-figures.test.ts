import { selectFiguresOnFocus } from '../../src/app/select-figures';

selectFiguresOnFocus(document);

function field(value: string, mode = 'decimal'): HTMLInputElement {
  document.body.innerHTML = `<input inputmode="${mode}" value="${value}">`;
  return document.querySelector('input')!;
}
const press = (of: HTMLInputElement): boolean => {
  of.focus();
  return of.dispatchEvent(new MouseEvent('mouseup', { bubbles: true, cancelable: true }));
};
const key = (of: HTMLInputElement, name: string): void => {
  of.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
};
const selected = (of: HTMLInputElement): string => of.value.slice(of.selectionStart!, of.selectionEnd!);
/** As a keyboard types: what is selected goes. */
function type(of: HTMLInputElement, text: string): void {
  of.setRangeText(text, of.selectionStart!, of.selectionEnd!, 'end');
  of.dispatchEvent(new Event('input', { bubbles: true }));
}

test('what is typed after a tap takes the place of the figure', () => {
  const portions = field('6');
  press(portions);
  expect(selected(portions)).toBe('6');
  type(portions, '100');
  expect(portions.value).toBe('100');
});

test('a tap while typing sets the cursor, a tap after Enter takes the whole figure again', () => {
  const portions = field('6');
  press(portions);
  type(portions, '100');
  expect(press(portions)).toBe(true);
  expect(selected(portions)).toBe('');
  key(portions, 'Enter');
  expect(selected(portions)).toBe('100');
  press(portions);
  type(portions, '60');
  expect(portions.value).toBe('60');
});

test('words are left as they are', () => {
  const name = field('Pot', 'text');
  press(name);
  expect(selected(name)).toBe('');
});
