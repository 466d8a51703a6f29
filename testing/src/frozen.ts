/** Values that nobody may change in place: what core keeps of a recipe, a kitchen or a food is kept by its identity. */

/** Freezes a value with everything in it; hands it back. */
export function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value) && !ArrayBuffer.isView(value)) {
    Object.freeze(value);
    for (const each of Object.values(value)) frozen(each);
  }
  return value;
}
