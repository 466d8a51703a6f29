/** What axe finds on a page. */
import type { Page } from '@playwright/test';
import axe from 'axe-core';

/** Each rule that is broken, with the first of what breaks it. Only what is broken is gathered and brought over: the rest is long. */
export async function violationsOn(page: Page): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(async () => {
    const { run } = (window as unknown as { axe: typeof axe }).axe;
    const { violations } = await run({ resultTypes: ['violations'] });
    return violations.map(({ id, nodes }) => {
      const broken = nodes.slice(0, 3).map(({ html }) => html);
      return `${id}: ${broken.join(' | ')}`;
    });
  });
}
