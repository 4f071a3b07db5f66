/** Where to go after signing in: a page of ours that was asked for, else the shelf. */
export function placeToGo(search: string): string {
  const to = new URLSearchParams(search).get('to') ?? '/';
  return /^\/(?![/\\])/.test(to) ? to : '/';
}
