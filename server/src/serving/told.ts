/** A service between the API's words and core's figures. */
import {
  clockText,
  momentText,
  OVER_SHARE,
  PLAIN_TEAM,
  type EatenDish,
  type Service,
  type ServicePlan,
  type Stretch,
} from '@hand-ladle/core';
import type { ToldService } from './schemas';

/** Minutes from midnight of "11:45". */
function minuteOf(clock: string): number {
  const [hours, minutes] = clock.split(':').map(Number) as [number, number];
  return hours * 60 + minutes;
}

const stretchOf = ({ from, to }: { from: string; to: string }): Stretch => ({
  from: minuteOf(from),
  to: minuteOf(to),
});
const stretchTold = ({ from, to }: Stretch) => ({ from: clockText(from), to: clockText(to) });

export function serviceOf(id: string, { readyAt, overShare, team, ...told }: ToldService): Service {
  return {
    id,
    ...told,
    readyMinute: minuteOf(readyAt),
    overShare: overShare ?? OVER_SHARE,
    team: team
      ? { people: team.people, shift: stretchOf(team), breaks: team.breaks.map(stretchOf) }
      : PLAIN_TEAM,
  };
}

export function serviceTold({ readyMinute, team, ...service }: Service) {
  return {
    ...service,
    readyAt: clockText(readyMinute),
    team: { people: team.people, ...stretchTold(team.shift), breaks: team.breaks.map(stretchTold) },
  };
}

/** Dishes in their versions, each with what its worksheet says. */
export const eatenTold = (eaten: readonly EatenDish[]) =>
  eaten.map(({ versions, ...dish }) => ({
    ...dish,
    versions: versions.map(({ recipe, sheet, ...version }) => ({
      ...version,
      recipeId: recipe.id,
      finishedGrams: sheet.finishedGrams,
      target: sheet.target,
      allergens: sheet.allergens.map(({ id, name, status }) => ({ id, name, status })),
      nutrition: { perPortion: sheet.nutrition.perPortion, missing: sheet.nutrition.missing },
      openDecisions: sheet.findings.filter(({ severity }) => severity === 'danger' || severity === 'decision')
        .length,
    })),
  }));

/** A plan with its moments in the kitchen's own time beside the minutes of the day. */
export const planTold = (plan: ServicePlan, { date }: Pick<Service, 'date'>) => ({
  ...plan,
  tasks: plan.tasks.map((task) => ({
    ...task,
    startsAt: momentText(date, task.start),
    endsAt: momentText(date, task.end),
  })),
});
