/** Does something a little later, once, however often it is asked for until then. */
export function soon(act: () => void, afterMs: number): { ask: () => void; forget: () => void } {
  let timer: ReturnType<typeof setTimeout> | undefined;
  return {
    ask: () => {
      timer ??= setTimeout(() => {
        timer = undefined;
        act();
      }, afterMs);
    },
    forget: () => clearTimeout(timer),
  };
}
