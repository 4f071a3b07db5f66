import { useState } from 'react';
import { Popover } from 'radix-ui';
import type { Means } from '../api/client';
import { useChanges } from '../workbench/changes';
import { ShownKey } from '../keyboard/ShownKey';
import { useWorkbench } from '../workbench/store';

/** What can be done to selected words other than cutting them; each with its key. */
export const TREATMENTS: { key: string; means: Means; name: string; does: string }[] = [
  { key: 'o', means: 'ROOM_TONE', name: 'Room tone', does: 'not heard, not captioned; the time stays' },
  { key: 'y', means: 'MUTE', name: 'Mute', does: 'not heard, but still captioned' },
  { key: 'e', means: 'CAPTIONS_ONLY', name: 'Out of the captions', does: 'heard, but not captioned' },
];

export const GAP_SECONDS = 0.5;

export function TreatMenu({ first, last }: { first: number; last: number }) {
  const changes = useChanges();
  const { change } = changes;
  const [seconds, setSeconds] = useState(GAP_SECONDS);
  const act = (work: () => unknown) => () => void work();
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button className="rounded px-2 py-1 hover:bg-paper" data-testid="treat">
          Instead of a cut
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="panel w-[370px] py-2" sideOffset={6} align="start" collisionPadding={12}>
          {TREATMENTS.map((t) => (
            <Popover.Close asChild key={t.key}>
              <button
                className="flex w-full items-baseline gap-3 rounded py-1.5 text-left hover:bg-desk"
                onClick={act(() => change({ type: 'treatWords', first, last, means: t.means }))}
              >
                <span className="w-[140px] font-medium">{t.name}</span>
                <span className="flex-1 text-[12.5px] text-soft">{t.does}</span>
                <ShownKey ours={t.key} />
              </button>
            </Popover.Close>
          ))}
          <form
            className="flex items-center gap-2 border-t border-rule py-2"
            onSubmit={(e) => {
              e.preventDefault();
              void change({ type: 'putGap', word: last, seconds });
            }}
          >
            <span className="font-medium">A gap after it</span>
            <input
              type="number"
              className="field w-20"
              step={0.1}
              min={0}
              max={10}
              value={seconds}
              aria-label="Seconds of the gap"
              onChange={(e) => setSeconds(Number(e.target.value))}
            />
            s
            <button className="button ml-auto" disabled={!(seconds >= 0.02 && seconds <= 10)}>
              Put it in
            </button>
            <ShownKey ours="i" />
          </form>
          <Popover.Close asChild>
            <button
              className="flex w-full items-baseline gap-3 rounded border-t border-rule py-1.5 text-left hover:bg-desk"
              onClick={() => useWorkbench.setState({ carrying: { anchor: first, focus: last } })}
            >
              <span className="w-[140px] font-medium">Take up</span>
              <span className="flex-1 text-[12.5px] text-soft">and put before another word</span>
              <kbd className="font-sans text-[11px] text-faint">Ctrl X</kbd>
            </button>
          </Popover.Close>
          <Popover.Close asChild>
            <button
              className="flex w-full items-baseline gap-3 rounded border-t border-rule py-1.5 text-left hover:bg-desk"
              onClick={act(() => changes.partBefore(first))}
            >
              <span className="w-[140px] font-medium">Part the clip here</span>
              <span className="flex-1 text-[12.5px] text-soft">from here on becomes a clip of its own</span>
              <ShownKey ours="d" />
            </button>
          </Popover.Close>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** The gap that is selected: how long it is, and out with it. */
export function GapField({ id, lengthUs }: { id: number; lengthUs: number }) {
  const { change } = useChanges();
  const [seconds, setSeconds] = useState(lengthUs / 1e6);
  return (
    <form
      className="flex items-center gap-2 pl-1"
      data-testid="gap-field"
      onSubmit={(e) => {
        e.preventDefault();
        void change({ type: 'changeGap', id, seconds });
      }}
    >
      A gap of
      <input
        type="number"
        className="field w-20 py-0.5"
        step={0.1}
        min={0}
        max={10}
        value={seconds}
        aria-label="Seconds of the gap"
        onChange={(e) => setSeconds(Number(e.target.value))}
        onKeyDown={(e) => e.key === 'Escape' && e.currentTarget.blur()}
      />
      s <ShownKey ours="Enter" />
      <button className="button py-0.5" disabled={!(seconds >= 0.02 && seconds <= 10)}>
        Set
      </button>
      <button
        type="button"
        className="link"
        onClick={() => {
          useWorkbench.setState({ gap: null });
          void change({ type: 'changeGap', id, seconds: 0 });
        }}
      >
        take it out <ShownKey ours="Backspace" />
      </button>
    </form>
  );
}
