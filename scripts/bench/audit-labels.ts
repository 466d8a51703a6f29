/** So many random labels, each on every stock, audited: nothing clipped, broken or smaller than the law lets it be. */
import { auditLabels } from '@hand-ladle/testing/random-labels';
import { sized } from './size';

const count = Number(process.argv[2] ?? sized(2000, 40));
const { set, refused, wrong } = auditLabels(1, count);
for (const { seed, stock, what } of wrong.slice(0, 20)) console.log(`  label ${seed} on ${stock}: ${what}`);
console.log(
  `labels: ${count} random ones on every stock: ${set} set, ${refused} refused with the reason, ${wrong.length} faults`,
);
if (wrong.length > 0) process.exitCode = 1;
