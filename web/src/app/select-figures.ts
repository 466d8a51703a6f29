/** A figure that is tapped is meant to be replaced: what is typed next takes its place, by mouse and by finger too. */

const FIGURE = 'input[inputmode="decimal"], input[inputmode="numeric"], input[type="number"]';

const figureAt = (target: EventTarget | null): HTMLInputElement | null =>
  target instanceof HTMLInputElement && target.matches(FIGURE) ? target : null;

/**
 * Selects the whole figure when its field is entered or tapped, and once Enter took it. While a figure is being typed a tap
 * sets the cursor as ever.
 */
export function selectFiguresOnFocus(page: Document): void {
  /** The field in which somebody is typing; null before the first key and after Enter. */
  let typedIn: HTMLInputElement | null = null;
  const select = (target: EventTarget | null): void => {
    const field = figureAt(target);
    if (field && field !== typedIn) field.select();
  };
  page.addEventListener('focusin', ({ target }) => {
    typedIn = null;
    select(target);
  });
  page.addEventListener('input', ({ target }) => (typedIn = figureAt(target)));
  page.addEventListener('keydown', ({ key, target }) => {
    if (key !== 'Enter') return;
    typedIn = null;
    select(target);
  });
  page.addEventListener('mouseup', (event) => {
    const field = figureAt(event.target);
    if (!field || field === typedIn) return;
    // The press would set the cursor and drop the selection.
    event.preventDefault();
    field.select();
  });
}
