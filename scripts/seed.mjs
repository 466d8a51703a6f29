/** The seed of random tests: the same every time unless HAND_LADLE_SEED says another. */
const FIXED_SEED = 20261128;

export function testSeed() {
  const asked = Number(process.env.HAND_LADLE_SEED);
  return Number.isInteger(asked) && asked > 0 ? asked : FIXED_SEED;
}
