/** The public menu as a page that stands by itself: no script, nothing fetched, readable on any phone and on paper. */
import { html } from 'hono/html';
import { MENU_NOTE, type MenuDay } from '@hand-ladle/core';

const STYLE = `
  body { max-width: 60rem; margin: 0 auto; padding: 1rem 1.25rem 3rem; background: #fbf7ee; color: #1c2440;
    font: 1.0625rem/1.45 system-ui, sans-serif; }
  h1 { font-size: 1.75rem; border-bottom: 5px solid #1f45a8; padding-bottom: .4rem; }
  h2 { margin: 1.6rem 0 .2rem; font-size: 1.25rem; }
  h3 { margin: .8rem 0 .2rem; font-size: 1.0625rem; color: #1f45a8; }
  dt { font-weight: 650; margin-top: .5rem; }
  dd { margin: 0; }
  .course { font-weight: 400; }
  @media print { body { background: none; padding: 0; } h2 { break-after: avoid; } dt { break-after: avoid; } }`;

/** Everything that somebody wrote is escaped by the template. */
export const menuPage = (days: readonly MenuDay[], kitchen: string, from: string, to: string) =>
  html`<!doctype html>
    <html lang="en">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>Menu, ${kitchen}</title>
        <style>
          ${STYLE}
        </style>
      </head>
      <body>
        <h1>${kitchen}: menu from ${from} to ${to}</h1>
        <p>${MENU_NOTE}</p>
        ${days.length === 0 ? html`<p>Nothing is planned for these days.</p>` : ''}
        ${days.map(
          ({ weekday, date, meals }) =>
            html`<section>
              <h2>${weekday}, ${date}</h2>
              ${meals.map(
                ({ name, dishes }) =>
                  html`<h3>${name}</h3>
                    <dl>
                      ${dishes.map(
                        (dish) =>
                          html`<dt>
                              ${dish.name}${dish.course === '' ? '' : html` <span class="course">(${dish.course})</span>`}
                            </dt>
                            <dd>${dish.allergens}</dd> `,
                      )}
                    </dl> `,
              )}
            </section> `,
        )}
      </body>
    </html> `;
