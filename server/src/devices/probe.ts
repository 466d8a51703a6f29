/**
 * What a temperature probe must do: say what it reads now. A real one takes the place of the simulated one here;
 * docs/devices.md says how.
 */
export interface ProbeReading {
  celsius: number;
  /** It has come to rest. */
  isSteady: boolean;
}

export interface Probe {
  readonly name: string;
  read(): ProbeReading;
}

/** A probe comes nine tenths of the way in so many seconds. */
const SETTLES_SECONDS = 4;
/** Closer than this it is at rest, °C. */
const STEADY_CELSIUS = 0.3;

/** A probe that ships with the product: put into something, it settles to what that is. */
export class SimulatedProbe implements Probe {
  readonly name = 'Simulated probe';
  private from = 20;
  private to = 20;
  private since = 0;

  constructor(private readonly now: () => Date) {}

  /** Puts it into something of a temperature. */
  put(celsius: number): void {
    this.from = this.read().celsius;
    this.to = celsius;
    this.since = this.now().getTime();
  }

  read(): ProbeReading {
    const seconds = (this.now().getTime() - this.since) / 1000;
    const left = (this.from - this.to) * 0.1 ** (seconds / SETTLES_SECONDS);
    const isSteady = Math.abs(left) <= STEADY_CELSIUS;
    return { celsius: Math.round((isSteady ? this.to : this.to + left) * 10) / 10, isSteady };
  }
}
