import { Fragment, useEffect, useRef, useState } from 'react';
import { exchange, keyFor, keyName, useKeyMap } from './keyMap';

interface Row {
  /** Our keys, each of which can be put elsewhere. */
  keys: string[];
  when?: string;
  does: (k: (ours: string) => string) => string;
}

const ROWS: Row[] = [
  { keys: [' '], does: () => 'play and pause' },
  { keys: ['l', 'j', 'k'], does: () => 'play or faster, slower or back, stop at normal speed' },
  {
    keys: ['ArrowLeft', 'ArrowRight'],
    does: () => 'word by word, in a clip by pauses and gaps too; with Shift extend, with Alt by sentence',
  },
  { keys: ['s'], does: () => 'take the sentence, then the paragraph; so do a second and a third click' },
  { keys: ['Backspace'], does: () => 'pare the selected words, pause or gap' },
  { keys: ['r'], does: () => 'put the selected words or pause back' },
  {
    keys: ['Backspace'],
    when: 'playing',
    does: (k) => `drop the sentence just heard; with Shift the present one; ${k('r')} puts the last back`,
  },
  {
    keys: ['Enter'],
    does: (k) =>
      `in Pare: the seconds of the selected gap, or the loupe on the selected join; ${k(',')} and ${k('.')} nudge where the sound leaves, with Shift where it comes in, with Alt both; ${k('l')} over and over`,
  },
  {
    keys: ['h'],
    does: () => 'play over the selected place; with Shift the selection by itself, with Alt over and over',
  },
  {
    keys: ['o', 'y', 'e'],
    does: (k) => `in a clip: room tone instead, mute, out of the captions; ${k('r')} puts back`,
  },
  { keys: ['i', 'd'], does: () => 'a gap of half a second after the selection; part the clip before it' },
  { keys: ['[', ']'], does: () => 'set in and out at the playhead' },
  { keys: ['t'], does: () => 'correct the selected words' },
  { keys: ['n', 'a'], does: () => 'next doubtful word, accept it' },
  { keys: [';'], does: () => 'in a clip: the next open remark; with Shift the one before' },
  { keys: ['p', 'u'], does: () => 'next mark after the word, capital or small' },
  { keys: ['b'], does: () => 'start a paragraph, or run it on' },
  { keys: ['c'], does: () => 'make the selection a clip' },
  { keys: ['m'], does: () => 'mark the selection for later' },
  { keys: ['g'], does: () => 'gather the selection for a clip of several places' },
  {
    keys: ['ArrowUp', 'ArrowDown', 'x'],
    when: 'in Pick',
    does: (k) => `walk the proposals, pass; ${k('Enter')} keeps`,
  },
  {
    keys: ['q', 'w', 'v'],
    when: 'in Letter',
    does: () => 'a caption begins at the word, a line begins at it, the words stand out; the same key takes it back',
  },
  {
    keys: ['f', 'z'],
    when: 'in Letter',
    does: (k) =>
      `write in the caption; the next one with something wrong, with Shift the one before; ${k('[')} and ${k(']')} let it begin and end at the playhead, Alt ${k(',')} and ${k('.')} nudge its beginning, with Shift its end`,
  },
  { keys: [',', '.'], does: () => 'one frame back, one frame on' },
  { keys: ['/'], does: () => 'find in the transcript' },
  { keys: ['1', '2', '3', '4', '5'], does: () => 'go to a stage' },
];

const FIXED: [string, string][] = [
  ['Ctrl X, Ctrl V', 'take words of a clip up, put them before the selected word; or drag them'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['Keypad 0 to 9', 'in Frame, of several cameras: by itself, or that one from here on'],
  ['Esc', 'let go of the selection'],
];

/** All keys; a click on one puts it elsewhere. */
export function HelpPanel({ onClose }: { onClose: () => void }) {
  const panel = useRef<HTMLDivElement>(null);
  const [moving, setMoving] = useState<string | null>(null);
  const map = useKeyMap();
  useEffect(() => panel.current?.focus(), []);
  const name = (ours: string) => keyName(keyFor(ours, map));
  const pressed = (e: React.KeyboardEvent) => {
    if (moving !== null) {
      e.preventDefault();
      e.stopPropagation();
      if (e.key === 'Escape' || exchange(moving, e.key)) setMoving(null);
    } else if (e.key === 'Escape') onClose();
  };
  return (
    <div
      ref={panel}
      role="dialog"
      aria-label="Keys"
      tabIndex={-1}
      className="panel fixed top-16 right-5 max-h-[calc(100vh-84px)] w-[600px] overflow-y-auto"
      onKeyDown={pressed}
    >
      <div className="mb-2 flex justify-between">
        <b>Keys</b>
        <button className="link" onClick={onClose}>
          close
        </button>
      </div>
      <p className="mb-2 text-[12.5px] text-soft" role="status">
        {moving === null
          ? 'Click a key to have it elsewhere; what is there now changes places with it.'
          : `Press the key for: ${ROWS.find((r) => r.keys.includes(moving))!.does(name)}. Esc leaves it.`}
        {Object.keys(map.exchanged).length > 0 && moving === null && (
          <>
            {' '}
            <button className="link" onClick={() => useKeyMap.setState({ exchanged: {} })}>
              All back as they were
            </button>
          </>
        )}
      </p>
      <dl className="grid grid-cols-[150px_1fr] items-baseline gap-y-1.5">
        {ROWS.map(({ keys, when, does }) => (
          <Fragment key={`${keys.join('')}${when ?? ''}`}>
            <dt className="flex flex-wrap items-baseline gap-1">
              {when && <span className="text-[12.5px] text-soft">{when}:</span>}
              {keys.map((key) => (
                <button
                  key={key}
                  className={`rounded border px-1.5 text-[12.5px] font-medium hover:bg-desk ${moving === key ? 'border-accent bg-wash' : 'border-rule'}`}
                  aria-label={`Key ${name(key)}: put elsewhere`}
                  aria-pressed={moving === key}
                  onClick={(e) => {
                    setMoving(key);
                    e.currentTarget.focus();
                  }}
                >
                  {moving === key ? '…' : name(key)}
                </button>
              ))}
            </dt>
            <dd className="text-soft">{does(name)}</dd>
          </Fragment>
        ))}
        {FIXED.map(([key, does]) => (
          <Fragment key={key}>
            <dt className="text-[12.5px] font-medium">{key}</dt>
            <dd className="text-soft">{does}</dd>
          </Fragment>
        ))}
      </dl>
    </div>
  );
}
