/** Stands where every member of a closed set has been dealt with: a new member does not compile until it is. */
export function assertNever(value: never): never {
  throw new Error(`No one thought of ${JSON.stringify(value)}`);
}
