/** Minutes and seconds, such as 1:04. */
export function clock(us: number): string {
  const s = Math.max(0, Math.floor(us / 1e6));
  const hours = Math.floor(s / 3600);
  const minutes = Math.floor((s % 3600) / 60);
  const seconds = String(s % 60).padStart(2, '0');
  return hours ? `${hours}:${String(minutes).padStart(2, '0')}:${seconds}` : `${minutes}:${seconds}`;
}

/** Minutes, seconds and tenths, such as 0:03.4. */
export function clockTenths(us: number): string {
  return `${clock(us)}.${Math.floor((Math.max(0, us) / 1e5) % 10)}`;
}

/** Seconds with one decimal, such as 5.5 s. */
export const secondsText = (us: number) => `${(us / 1e6).toFixed(1)} s`;

export function sizeText(bytes: number): string {
  return bytes > 1e9
    ? `${(bytes / 1e9).toFixed(1)} GB`
    : bytes > 1e6
      ? `${Math.round(bytes / 1e6)} MB`
      : `${Math.round(bytes / 1e3)} kB`;
}
