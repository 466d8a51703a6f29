import { launch } from './browser.mjs';
const b = await launch();
const [, , size = '1280x800', ...paths] = process.argv;
const [width, height] = size.split('x').map(Number);
const p = await b.newPage({ viewport: { width, height } });
p.on('console', (m) => {
  if (m.type() === 'error') console.log('console:', m.text());
});
p.on('pageerror', (e) => console.log('pageerror:', e.message));
for (const spec of paths) {
  const [path, name, full] = spec.split('=');
  await p.goto('http://127.0.0.1:4310' + path);
  await p.waitForLoadState('networkidle');
  await p.waitForTimeout(400);
  await p.screenshot({ path: `/tmp/${name}.png`, fullPage: full === 'full' });
  console.log(name);
}
await b.close();
