/** What each critical point is held to: the kitchen's law, or its own policy where that is stricter. Local food law goes first. */
import { HEAT_LIMITS } from '../../batch';
import type { Kitchen } from '../../kitchen';
import { figureText } from '../../quantity';
import type { Point } from '../log';

export const POINT_NAMES: Readonly<Record<Point, string>> = {
  receiving: 'Receiving',
  'cold-hold': 'Cold holding, fridge round',
  core: 'Cooked through, core',
  'hot-hold': 'Hot holding',
  cooling: 'Cooling',
  reheat: 'Reheating, core',
  oil: 'Frying oil',
  delivery: 'Delivery',
  probe: 'Probe in ice water',
};

/** Frozen food is held at this or below; it may be this warm for short when it is handed over (EU Directive 89/108, article 5). */
export const FROZEN_CELSIUS = -18;
export const FROZEN_AT_DELIVERY_CELSIUS = -15;
/** Oil below this soaks in instead of frying (convention; hot oil is 160 to 180 °C). */
export const OIL_LEAST_CELSIUS = 160;
/** A probe in melting ice reads 0, give or take this (usual practice). */
export const PROBE_OFF_CELSIUS = 1;

export interface PointLimit {
  leastCelsius: number | null;
  mostCelsius: number | null;
  /** "at least 75 °C". */
  words: string;
  /** Whose rule it is. */
  source: string;
}

const LAW: Readonly<Record<Kitchen['regime'], string>> = { us: 'US Food Code', eu: 'UK and EU rules' };
const isFrozen = (where: string): boolean => /\bfreez|\bfrozen/i.test(where);

function least(celsius: number, own: number | null, regime: Kitchen['regime']): PointLimit {
  const isOwn = own !== null && own > celsius;
  const limit = isOwn ? own : celsius;
  return {
    leastCelsius: limit,
    mostCelsius: null,
    words: `at least ${figureText(limit, 1)} °C`,
    source: isOwn ? 'kitchen policy' : LAW[regime],
  };
}

function most(celsius: number, own: number | null, source: string): PointLimit {
  const isOwn = own !== null && own < celsius;
  const limit = isOwn ? own : celsius;
  return {
    leastCelsius: null,
    mostCelsius: limit,
    words: `at most ${figureText(limit, 1)} °C`,
    source: isOwn ? 'kitchen policy' : source,
  };
}

/**
 * The limit of a reading at a point; null for a cooling, which is judged by all its readings together.
 * @param where the place that was measured: a freezer is held to another limit than a cold room
 */
export function limitOf(point: Point, where: string, kitchen: Kitchen): PointLimit | null {
  const { regime, safety } = kitchen;
  const law = HEAT_LIMITS[regime];
  switch (point) {
    case 'core':
      return least(law.coreCelsius, safety.coreCelsius, regime);
    case 'reheat':
      return least(law.coreCelsius, safety.coreCelsius, regime);
    case 'hot-hold':
      return least(law.hotHoldCelsius, safety.hotHoldCelsius, regime);
    case 'cold-hold':
      return isFrozen(where)
        ? most(FROZEN_CELSIUS, null, 'usual practice')
        : most(
            law.coldHoldCelsius,
            safety.coldHoldCelsius,
            regime === 'eu' ? 'usual practice (UK law: 8 °C)' : LAW.us,
          );
    case 'receiving':
    case 'delivery':
      return isFrozen(where)
        ? most(FROZEN_AT_DELIVERY_CELSIUS, null, 'quick-frozen food rules')
        : most(
            law.coldHoldCelsius,
            safety.coldHoldCelsius,
            regime === 'eu' ? 'usual practice (UK law: 8 °C)' : LAW.us,
          );
    case 'oil': {
      const highest = Math.max(OIL_LEAST_CELSIUS, safety.oilMostCelsius);
      return {
        leastCelsius: OIL_LEAST_CELSIUS,
        mostCelsius: highest,
        words: `${OIL_LEAST_CELSIUS} to ${figureText(highest, 0)} °C; thrown away when it smokes or foams`,
        source: 'usual practice',
      };
    }
    case 'probe':
      return {
        leastCelsius: -PROBE_OFF_CELSIUS,
        mostCelsius: PROBE_OFF_CELSIUS,
        words: `0 °C, ${PROBE_OFF_CELSIUS} °C either way`,
        source: 'usual practice',
      };
    case 'cooling':
      return null;
  }
}

/** Whether a temperature keeps a limit. */
export const isWithin = (celsius: number, { leastCelsius, mostCelsius }: PointLimit): boolean =>
  (leastCelsius === null || celsius >= leastCelsius) && (mostCelsius === null || celsius <= mostCelsius);

/** Degrees of a reading as they were measured: rounded onto its limit it would stand on the wrong side of it. */
export const readingText = (celsius: number): string => `${figureText(celsius, 3)} °C`;
