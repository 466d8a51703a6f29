/** A figure that is tapped is meant to be replaced: what is typed next takes its place, by mouse and by finger too. */

const FIGURE = 'input[inputmode="decimal"], input[inputmode="numeric"], input[type="number"]';

const figureAt = (target: EventTarget | null): HTMLInputElement | null =>
  target instanceof HTMLInputElement && target.matches(FIGURE) ? target : null;

/** Selects the whole figure when its field is entered; a second tap sets the cursor as ever. */
export function selectFiguresOnFocus(page: Document): void {
  let entered: HTMLInputElement | null = null;
  page.addEventListener('focusin', ({ target }) => {
    entered = figureAt(target);
    entered?.select();
  });
  page.addEventListener('mouseup', (event) => {
    // The press that entered the field would set the cursor and drop the selection.
    if (entered && event.target === entered) {
      event.preventDefault();
      entered.select();
    }
    entered = null;
  });
}
