/**
 * What a scale must do: say weights as they change. A real one takes the place of the simulated one here; docs/devices.md
 * says how.
 */
export interface Weighing {
  grams: number;
  /** The pan has come to rest. */
  isStable: boolean;
}

export interface Scale {
  readonly name: string;
  /** Called with each weighing until the returned act ends it. */
  watch(listener: (weighing: Weighing) => void): () => void;
}

/** How a pan settles after something is put on it: swings that halve, then rest. */
const SWINGS = [0.6, 1.08, 0.97, 1.01] as const;
const TICK_MS = 120;

/** A scale that ships with the product: what is put on it swings, and comes to rest at what was asked. */
export class SimulatedScale implements Scale {
  readonly name = 'Simulated scale';
  private readonly listeners = new Set<(weighing: Weighing) => void>();
  private last: Weighing = { grams: 0, isStable: true };
  private swinging: NodeJS.Timeout | null = null;

  watch(listener: (weighing: Weighing) => void): () => void {
    this.listeners.add(listener);
    listener(this.last);
    return () => this.listeners.delete(listener);
  }

  private say(weighing: Weighing): void {
    this.last = weighing;
    for (const listener of this.listeners) listener(weighing);
  }

  /** Puts a weight on the pan. */
  put(grams: number): void {
    if (this.swinging) clearInterval(this.swinging);
    let at = 0;
    this.swinging = setInterval(() => {
      const swing = SWINGS[at];
      at += 1;
      if (swing === undefined) {
        if (this.swinging) clearInterval(this.swinging);
        this.say({ grams, isStable: true });
      } else this.say({ grams: Math.round(grams * swing), isStable: false });
    }, TICK_MS);
    this.swinging.unref();
  }
}
