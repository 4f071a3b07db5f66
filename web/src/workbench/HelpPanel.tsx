import { useEffect, useRef } from 'react';

const KEYS: [string, string][] = [
  ['Space', 'play and pause'],
  ['L, J, K', 'play or faster, slower or back, stop at normal speed'],
  ['← →', 'word by word; with Shift extend, with Alt by sentence'],
  ['S', 'take the sentence, then the paragraph; so do a second and a third click'],
  ['Backspace', 'pare the selected words'],
  ['R', 'put the selected words back'],
  ['playing: Backspace', 'drop the sentence just heard; with Shift the present one; R puts the last back'],
  ['Enter', 'in Pare: the loupe on the selected join; , and . nudge where the sound leaves, with Shift where it comes in, with Alt both'],
  ['H', 'play over the selected place; with Shift the selection by itself, with Alt over and over'],
  ['O, Y, E', 'in a clip: room tone instead, mute, out of the captions; R puts back'],
  ['I, D', 'a gap of half a second after the selection; part the clip before it'],
  ['[ and ]', 'set in and out at the playhead'],
  ['T', 'correct the selected words'],
  ['N, A', 'next doubtful word, accept it'],
  ['P, U', 'next mark after the word, capital or small'],
  ['B', 'start a paragraph, or run it on'],
  ['C', 'make the selection a clip'],
  ['M', 'mark the selection for later'],
  ['G', 'gather the selection for a clip of several places'],
  ['Ctrl X, Ctrl V', 'take words of a clip up, put them before the selected word; or drag them'],
  ['↑ ↓, Enter, X', 'in Pick: walk the proposals, keep, pass'],
  [', and .', 'one frame back, one frame on'],
  ['/', 'find in the transcript'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['1 to 5', 'go to a stage'],
  ['Esc', 'let go of the selection'],
];

export function HelpPanel({ onClose }: { onClose: () => void }) {
  const panel = useRef<HTMLDivElement>(null);
  useEffect(() => panel.current?.focus(), []);
  return (
    <div
      ref={panel}
      role="dialog"
      aria-label="Keys"
      tabIndex={-1}
      className="panel fixed top-16 right-5 w-[400px]"
      onKeyDown={(e) => e.key === 'Escape' && onClose()}
    >
      <div className="mb-2 flex justify-between">
        <b>Keys</b>
        <button className="link" onClick={onClose}>
          close
        </button>
      </div>
      <dl className="grid grid-cols-[150px_1fr] gap-y-1.5">
        {KEYS.map(([key, does]) => (
          <div key={key} className="contents">
            <dt className="font-medium">{key}</dt>
            <dd className="text-soft">{does}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
