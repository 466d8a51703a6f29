import { launch } from './browser.mjs';
import { readFileSync } from 'node:fs';
const [out,w,...names]=process.argv.slice(2);
const b=await launch(); const p=await b.newPage({viewport:{width:1800,height:1125}});
await p.setContent(`<body style="margin:0;display:flex;flex-wrap:wrap;background:#888">${names.map(n=>`<img style="width:${w}px;margin:2px" src="data:image/png;base64,${readFileSync(`/tmp/s-${n}.png`).toString('base64')}">`).join('')}</body>`);
await p.waitForTimeout(500); await p.screenshot({path:out,fullPage:true}); await b.close();
