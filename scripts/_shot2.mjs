import { launch } from './browser.mjs';
const b = await launch();
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
p.on('console', (m) => {
  if (m.type() === 'error') console.log('console:', m.text());
});
p.on('pageerror', (e) => console.log('pageerror:', e.message));
const U = 'http://127.0.0.1:4310';
await p.goto(U + '/take-in');
await p.fill(
  'textarea',
  `Oat and kale bake
Serves 4

1 1/2 cups rolled oats
2 tbsp soy sauce
a handful of kale
1 x 400g tin white beans, drained
3 tbsp tahni
salt to taste
200 g quinoa flakes

Method
1. Bake for 40 minutes at 180 °C until brown.
`,
);
await p.waitForTimeout(900);
await p.screenshot({ path: '/tmp/take.png' });
await p.goto(U + '/dishes/barley-leek-white-bean-pot');
await p.waitForLoadState('networkidle');
await p.click('text=Serve it');
await p.waitForTimeout(500);
await p.click('.chosen >> text=Soy');
await p.waitForTimeout(700);
await p.screenshot({ path: '/tmp/free.png' });
await p.keyboard.press('Escape');
await p.waitForTimeout(500);
await p.locator('[data-line=l7] + tr >> text=Record the pack').click();
await p.waitForTimeout(500);
await p.screenshot({ path: '/tmp/pack.png' });
await p.keyboard.press('Escape');
await p.waitForTimeout(400);
await p.setViewportSize({ width: 390, height: 844 });
await p.waitForTimeout(300);
await p.screenshot({ path: '/tmp/phone.png' });
await p.setViewportSize({ width: 1024, height: 768 });
await p.waitForTimeout(300);
await p.screenshot({ path: '/tmp/mid.png' });
await b.close();
