/**
 * How good the plans are: few tasks against a mixed-integer solver with its proof, many tasks against what a long search finds,
 * and services of the demo world for laws. Gaps are shares, not seconds.
 */
import loadHighs from 'highs';
import { type Schedule, schedule, type ScheduleProblem, scheduleSteps } from '@hand-ladle/core';
import { faultsOf, randomSchedule, scheduleLp, startsOf } from '@hand-ladle/testing/service/random-schedule';
import { sized } from './size';

const MORE = Number(process.env['HAND_LADLE_MORE']) || sized(1, 0.1);
const SHORT_MS = sized(1000, 300);
const LONG_MS = Number(process.env['HAND_LADLE_LONG_MS']) || sized(60_000, 1000);

/** The plan of a problem after so long. */
function after(problem: ScheduleProblem, ms: number): Schedule {
  const until = Date.now() + ms;
  const steps = scheduleSteps(problem, { plans: Infinity });
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
    if (Date.now() >= until) return value.stopped();
  }
}

const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;
function tell(name: string, gaps: readonly number[]): void {
  const sorted = [...gaps].sort((one, other) => one - other);
  const at = (share: number): number =>
    sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
  console.log(
    `${name}: ${sorted.length} problems, above the best known: median ${percent(at(0.5))}, 95th percentile ${percent(at(0.95))}, most ${percent(sorted.at(-1)!)}`,
  );
}

function mustKeep(problem: ScheduleProblem, plan: Schedule): void {
  const faults = faultsOf(problem, startsOf(plan));
  if (faults.length > 0) throw new Error(faults.join('; '));
  if (plan.lowerBoundMinutes > plan.makespanMinutes) throw new Error('the bound is above a plan');
}

async function few(): Promise<void> {
  const highs = await loadHighs();
  const gaps: number[] = [];
  let tighter = 0;
  for (let seed = 1; gaps.length < 50 * MORE; seed += 1) {
    const problem = randomSchedule(seed * 31, { tasks: 8 + (seed % 7) });
    const plan = after(problem, SHORT_MS);
    mustKeep(problem, plan);
    const answer = highs.solve(scheduleLp(problem, plan.makespanMinutes), { mip_rel_gap: 0, time_limit: 60 });
    if (answer.Status !== 'Optimal') continue;
    const best = Math.round(answer.ObjectiveValue);
    if (plan.lowerBoundMinutes > best) throw new Error(`seed ${seed}: the bound is above the optimum`);
    gaps.push(plan.makespanMinutes / best - 1);
    if (plan.lowerBoundMinutes === best) tighter += 1;
  }
  tell('8 to 14 tasks, one second, against the proven optimum', gaps);
  console.log(`the bound alone is the optimum in ${tighter} of ${gaps.length}`);
}

function many(): void {
  const gaps: number[] = [];
  for (let seed = 1; seed <= 10 * MORE; seed += 1) {
    const problem = randomSchedule(seed * 17, { tasks: 30 + 15 * (seed % 5), hasSettings: seed % 2 === 0 });
    const plan = after(problem, SHORT_MS);
    mustKeep(problem, plan);
    const long = after(problem, LONG_MS);
    gaps.push(plan.makespanMinutes / Math.min(long.makespanMinutes, plan.makespanMinutes) - 1);
  }
  tell(`30 to 90 tasks, one second, against ${LONG_MS / 1000} s of search`, gaps);
}

/** Problems with windows around a plan that exists: every one must be kept. */
function feasible(): void {
  let missed = 0;
  const count = 100 * MORE;
  for (let seed = 1; seed <= count; seed += 1) {
    const problem = randomSchedule(seed * 7, {
      tasks: 5 + (seed % 40),
      hasWindows: true,
      hasParts: seed % 2 === 0,
    });
    const plan = schedule(problem);
    if (plan.feasible) mustKeep(problem, plan);
    else missed += 1;
  }
  console.log(`windows that a plan keeps: ${missed} of ${count} missed`);
}

async function main(): Promise<void> {
  feasible();
  await few();
  many();
}
void main();
