/** A moment as one says it: the hour today, with the day before that. */
export function whenText(iso: string, now = new Date()): string {
  const at = new Date(iso);
  const hour = at.toLocaleTimeString('en', { hour: '2-digit', minute: '2-digit', hour12: false });
  return at.toDateString() === now.toDateString()
    ? `at ${hour}`
    : `on ${at.toLocaleDateString('en', { day: 'numeric', month: 'short' })}, ${hour}`;
}
