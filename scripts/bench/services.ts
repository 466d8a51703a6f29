/**
 * Services of 3 to 12 dishes of the demo world by chance: every plan is checked minute by minute by a checker of its own; a plan
 * that says it cannot be is asked again for much longer; and how far one second of search is from the bound and from a long search.
 */
import { eatersOf, planWorkSteps, type ServicePlan, type ServiceWork, serviceWorkOf } from '@hand-ladle/core';
import { faultsOfPlan, groundFor, randomService } from '@hand-ladle/testing/service/random-service';
import { sized } from './size';

const COUNT = Number(process.env['HAND_LADLE_SERVICES']) || sized(200, 4);
const SHORT_MS = sized(1000, 300);
const LONG_MS = Number(process.env['HAND_LADLE_LONG_MS']) || sized(10_000, 1000);

function after(work: ServiceWork, ms: number): ServicePlan {
  const until = Date.now() + ms;
  const steps = planWorkSteps(work, { plans: Infinity });
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
    sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
  console.log(
    `${name}: ${sorted.length} services, median ${percent(at(0.5))}, 95th percentile ${percent(at(0.95))}, most ${percent(at(1))}`,
  );
}

/** The longest way through the work, and the work of each resource over its capacity, nights left out: what the bound must beat. */
function plainBound({ problem }: ServiceWork): number {
  const ends = new Map<string, number>();
  const endOf = (id: string): number => {
    const known = ends.get(id);
    if (known !== undefined) return known;
    const task = problem.tasks.find((each) => each.id === id)!;
    const end = Math.max(0, ...task.after.map(endOf)) + task.minutes;
    ends.set(id, end);
    return end;
  };
  const path = Math.max(0, ...problem.tasks.map(({ id }) => endOf(id)));
  const loads = problem.resources.map(({ id, capacity }) => {
    const work = problem.tasks
      .flatMap(({ needs, minutes }) => needs.map((need) => ({ ...need, minutes })))
      .filter(({ resource }) => resource === id)
      .reduce((sum, { amount, from = 0, to, minutes }) => sum + amount * ((to ?? minutes) - from), 0);
    return Math.ceil(work / capacity - 1e-9);
  });
  return Math.max(path, ...loads);
}

const toBound: number[] = [];
const toLong: number[] = [];
let [kept, cannot, missed, better, tasks] = [0, 0, 0, 0, 0];
for (let seed = 1; seed <= COUNT; seed += 1) {
  const { service, kitchen } = randomService(seed * 13, 3, 12);
  const ground = groundFor(service, kitchen);
  const work = serviceWorkOf(eatersOf(ground), ground);
  if (work.tasks.length === 0) continue;
  tasks = Math.max(tasks, work.tasks.length);
  const plan = after(work, SHORT_MS);
  if (plan.lowerBoundMinutes > plan.makespanMinutes)
    throw new Error(`seed ${seed}: the bound is above a plan`);
  if (plan.lowerBoundMinutes < Math.min(plainBound(work), plan.makespanMinutes))
    throw new Error(`seed ${seed}: the bound is below the plain one`);
  if (plan.lowerBoundMinutes > plainBound(work)) better += 1;
  if (!plan.feasible) {
    cannot += 1;
    if (!plan.isProven && plan.lacking.length === 0 && after(work, LONG_MS).feasible) missed += 1;
    continue;
  }
  kept += 1;
  const faults = faultsOfPlan(plan.tasks, ground);
  if (faults.length > 0) throw new Error(`seed ${seed}: ${faults.join('; ')}`);
  toBound.push(plan.makespanMinutes / plan.lowerBoundMinutes - 1);
  if (seed % 10 === 0) {
    const long = plan.isProven ? plan : after(work, LONG_MS);
    toLong.push(plan.makespanMinutes / Math.min(long.makespanMinutes, plan.makespanMinutes) - 1);
  }
}
console.log(
  `${kept} services planned and checked (up to ${tasks} tasks), ${cannot} cannot be; of these ${missed} could be after ${LONG_MS / 1000} s`,
);
console.log(`the bound is better than longest way and work over capacity in ${better}`);
tell('above the proven bound after one second', toBound);
tell(`above the best of ${LONG_MS / 1000} s, every tenth`, toLong);
