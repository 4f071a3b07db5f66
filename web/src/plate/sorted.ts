/** Index of the last entry of an ascending list that is not above a value; -1 when all are. */
export function lastAtOrBefore(sorted: number[], value: number): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle] <= value) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}
