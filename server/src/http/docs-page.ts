/** The routes as a page to read, without any script. */
import { ERRORS } from './errors';
import { documentedPath, schemaOf } from './openapi';
import type { Route } from './route';

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (mark) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[mark]!);

const folded = (title: string, value: unknown): string =>
  `<details><summary>${title}</summary><pre>${escaped(JSON.stringify(value, null, 2))}</pre></details>`;

function section(each: Route): string {
  const parts = [
    `<h2><code>${each.method.toUpperCase()} ${escaped(documentedPath(each.path))}</code></h2>`,
    `<p>${escaped(each.summary)}. Answers: ${escaped(each.answers)}.${each.role ? ` Needs the role ${each.role}.` : ''}</p>`,
    ...(each.query ? [folded('Query', schemaOf(each.query))] : []),
    ...(each.body ? [folded('Request body', schemaOf(each.body))] : []),
    ...(each.example?.body === undefined ? [] : [folded('Example', each.example.body)]),
  ];
  return `<section>${parts.join('\n')}</section>`;
}

export function apiPage(routes: readonly Route[], version: string): string {
  const errors = Object.entries(ERRORS).map(
    ([code, { status, message }]) => `<li><code>${code}</code> ${status}: ${escaped(message)}</li>`,
  );
  return `<!doctype html><html lang="en"><meta charset="utf-8"><title>Hand Ladle API ${version}</title>
<style>body{font:16px/1.5 sans-serif;max-width:60rem;margin:2rem auto;padding:0 1rem}pre{overflow:auto}</style>
<h1>Hand Ladle API ${version}</h1><p>As data: <a href="/api/openapi.json">/api/openapi.json</a></p>
${routes.map(section).join('\n')}<h2>Errors</h2><ul>${errors.join('')}</ul></html>`;
}
