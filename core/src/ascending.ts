/** Index of the first of ascending values that is not below one; their number where all are. Found by halving. */
export function firstFrom(ascending: ArrayLike<number>, value: number): number {
  let low = 0;
  let high = ascending.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (ascending[middle] < value) low = middle + 1;
    else high = middle;
  }
  return low;
}
