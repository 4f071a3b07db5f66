/** What changes by itself, for those who follow it without the page being drawn anew. */
export interface Followed<T> {
  getState: () => T;
  /** What is answered ends it. */
  subscribe: (listener: (now: T, before: T) => void) => () => void;
}
