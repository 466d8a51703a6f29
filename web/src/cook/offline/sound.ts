/** The bell of the stove: louder the longer nobody answers. It must be woken by a touch first, as browsers ask. */
let context: AudioContext | null = null;

/** Tones of a ring by urgency: hertz, strokes, volume. */
const RINGS = [
  { hertz: 0, strokes: 0, volume: 0 },
  { hertz: 660, strokes: 2, volume: 0.25 },
  { hertz: 880, strokes: 3, volume: 0.6 },
  { hertz: 1180, strokes: 5, volume: 1 },
] as const;
const STROKE_SECONDS = 0.18;

/** Wakes the sound; call it from a touch. */
export function wakeSound(): void {
  context ??= new AudioContext();
  void context.resume();
}

export const canSound = (): boolean => context?.state === 'running';

/** Rings once. */
export function ring(urgency: 0 | 1 | 2 | 3): void {
  const { hertz, strokes, volume } = RINGS[urgency];
  if (!context || context.state !== 'running') return;
  for (let stroke = 0; stroke < strokes; stroke += 1) {
    const tone = context.createOscillator();
    const level = context.createGain();
    const at = context.currentTime + stroke * STROKE_SECONDS * 1.4;
    tone.frequency.value = hertz;
    level.gain.setValueAtTime(volume, at);
    level.gain.exponentialRampToValueAtTime(0.001, at + STROKE_SECONDS);
    tone.connect(level).connect(context.destination);
    tone.start(at);
    tone.stop(at + STROKE_SECONDS);
  }
}
