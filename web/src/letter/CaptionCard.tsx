import { useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { ClipState, Cue, TranscriptColumns } from '../api/client';
import { keyFor, keyName } from '../keyboard/keyMap';
import { goToFault } from '../keyboard/lettering';
import { Pair } from './Pair';
import { usePlayback } from '../plate/Playback';
import { usePlayhead } from '../plate/playhead';
import { clockTenths } from '../ui/time';
import { useChanges } from '../workbench/changes';
import { ordered, useWorkbench } from '../workbench/store';
import {
  addAfter,
  asProposed,
  joinWithNext,
  leaveOut,
  linger,
  nudge,
  restyleWords,
  retype,
  ROOM_US,
  roomAfter,
  shift,
  styleOf,
  toggleBound,
  toggleCaption,
  toggleKey,
  toggleLine,
  type CaptionDesk,
} from './captionActs';
import { captionAt, captionOf, firstWord, textOf } from './captions';
import { ColourInput } from './ColourInput';
import { PlaceField } from './PlaceField';
import { told } from './told';
import { useSeenWhileTried } from './useSeenWhileTried';
import { waitingEdits } from './waitingEdits';

interface Props {
  clip: ClipState;
  cues: Cue[];
  transcript: TranscriptColumns;
  frameUs: number;
}

const keyed = (name: string, key: string) => `${name} (${keyName(keyFor(key))})`;

/** The caption at the selected word or under the playhead, with all that can be done to it. */
export function CaptionCard({ clip, cues, transcript, frameUs }: Props) {
  const changes = useChanges();
  const playback = usePlayback();
  const selection = useWorkbench((s) => s.selection);
  const playing = usePlayhead((s) => captionAt(cues, s.programmeUs + 1));
  const chosen = selection ? captionOf(cues, transcript.ids[selection.focus]) : -1;
  const at = chosen >= 0 ? chosen : Math.max(0, playing);
  const cue = cues[at];
  useSeenWhileTried(cue);
  const desk: CaptionDesk = { changes, clip, cues, transcript, frameUs };
  const ids = selection ? transcript.ids.slice(ordered(selection)[0], ordered(selection)[1] + 1) : [];
  const faults = cues.filter((c) => c.faults.length).length;
  const byHand = cues.filter((c) => c.setByHand.length).length;
  const waiting = useMemo(() => waitingEdits(clip, transcript).length, [clip, transcript]);
  const facts = [
    `${cues.length} captions`,
    ...(faults ? [`${faults} to look at`] : []),
    ...(byHand ? [`${byHand} set by hand`] : []),
    ...(waiting ? [`${waiting} waiting for ${waiting === 1 ? 'its word' : 'their words'}`] : []),
  ];
  return (
    <section className="border-t border-rule bg-paper px-5 py-2.5" aria-label="This caption">
      <div className="flex items-baseline gap-3">
        <h2 className="label">{cue ? `Caption ${at + 1}` : 'Captions'}</h2>
        {cue && (
          <span className="text-[12.5px] text-soft tabular-nums">
            {clockTenths(cue.played.startUs)} to {clockTenths(cue.played.endUs)}
          </span>
        )}
        {cue && (
          <span className={`text-[12.5px] ${cue.faults.length ? 'font-medium text-accent' : 'text-soft'}`}>
            {told(cue)}
            {cue.setByHand.length ? ', set by hand' : ''}
          </span>
        )}
        <span className="ml-auto text-[12.5px] text-soft">{facts.join(', ')}</span>
        {faults > 0 && (
          <button
            className="button button-small"
            title={keyed('The next caption with something wrong', 'z')}
            onClick={() => goToFault({ cues, transcript, playback }, at, 1)}
          >
            Next
          </button>
        )}
      </div>
      {cue && (
        <div className="mt-1.5 flex gap-4">
          <CaptionText
            key={`${clip.id}/${cue.added}/${firstWord(cue)}`}
            text={textOf(cue)}
            onTyped={(text) => retype(desk, at, text)}
          />
          <div className="flex flex-1 flex-wrap content-start gap-1.5">
            <Act name="Begins here" title={keyed('A caption begins at the selected word', 'q')} on={ids.length > 0}>
              {() => toggleCaption(desk, ids[0])}
            </Act>
            <Act name="New line here" title={keyed('A line begins at the selected word', 'w')} on={ids.length > 0}>
              {() => toggleLine(desk, ids[0])}
            </Act>
            <Act name="On one line" title="The selected words stay on one line" on={ids.length > 1}>
              {() => toggleBound(desk, ids)}
            </Act>
            <Act name="Join the next" on={at + 1 < cues.length && !cues[at + 1].added && !cue.added}>
              {() => joinWithNext(desk, at)}
            </Act>
            <Act name="Stand out" title={keyed('The selected words stand out', 'v')} on={ids.length > 0}>
              {() => toggleKey(desk, ids)}
            </Act>
            <WordStyleField desk={desk} ids={ids} />
            <Act name="Leave out" title="The selected words are heard and not shown" on={ids.length > 0}>
              {() => leaveOut(desk, ids)}
            </Act>
            <Act
              name="Linger"
              title="Stands 0.4 s longer, where there is room"
              on={!cue.added && roomAfter(desk, at) > 0}
            >
              {() => linger(desk, at)}
            </Act>
            <Nudges desk={desk} at={at} />
            <PlaceField desk={desk} at={at} />
            <Act
              name="One after it"
              title="A caption where nobody speaks"
              on={!cue.added && roomAfter(desk, at) >= ROOM_US}
            >
              {() => addAfter(desk, at, 'Write here')}
            </Act>
            <Act name="As proposed" on={cue.setByHand.length > 0}>
              {() => asProposed(desk, at)}
            </Act>
          </div>
        </div>
      )}
    </section>
  );
}

function Act({ name, title, on, children }: { name: string; title?: string; on: boolean; children: () => void }) {
  return (
    <button className="button button-small" title={title} disabled={!on} onClick={children}>
      {name}
    </button>
  );
}

const WHITE = { red: 255, green: 255, blue: 255, alpha: 255 };
const SIZES = [0.7, 0.85, 1, 1.2, 1.5, 2];

/** Colour, size and slant of the selected words alone. */
function WordStyleField({ desk, ids }: { desk: CaptionDesk; ids: number[] }) {
  if (!ids.length) return null;
  const { colour, scale, italic } = styleOf(desk, ids);
  return (
    <span className="flex items-center gap-1.5 rounded border border-rule px-1.5 text-[12px]">
      These words
      <ColourInput
        name="Colour of the selected words"
        className="h-5 w-7 bg-transparent"
        value={colour ?? WHITE}
        onKeep={(chosen) => restyleWords(desk, ids, { colour: chosen })}
      />
      <select
        aria-label="Size of the selected words"
        className="bg-transparent"
        value={scale}
        onChange={(e) => restyleWords(desk, ids, { scale: Number(e.target.value) })}
      >
        {[...new Set([...SIZES, scale])].sort().map((s) => (
          <option key={s} value={s}>
            {Math.round(s * 100)} %
          </option>
        ))}
      </select>
      <button
        className="min-h-6 min-w-6 px-1 italic"
        aria-label="The selected words lean"
        aria-pressed={italic}
        onClick={() => restyleWords(desk, ids, { italic: !italic })}
      >
        i
      </button>
      {(colour || scale !== 1 || italic) && (
        <button
          className="px-1"
          aria-label="The selected words like the others"
          title="like the others"
          onClick={() => restyleWords(desk, ids, { colour: null, scale: 1, italic: false })}
        >
          ×
        </button>
      )}
    </span>
  );
}

/** Begin, end, and how far the shifting reaches, by frames. */
function Nudges({ desk, at }: { desk: CaptionDesk; at: number }) {
  const [reach, setReach] = useState<'this' | 'on' | 'all'>('this');
  const moves = (byUs: number) =>
    reach === 'this' ? shift(desk, at, at + 1, byUs) : shift(desk, reach === 'on' ? at : 0, desk.cues.length, byUs);
  const { frameUs } = desk;
  return (
    <span className="flex flex-wrap gap-1.5">
      <Pair name="Begins" onMove={(by) => nudge(desk, at, 'begin', by * frameUs)} />
      <Pair name="Ends" onMove={(by) => nudge(desk, at, 'end', by * frameUs)} />
      <Pair name="Shift" onMove={(by) => moves(by * frameUs)}>
        <select
          aria-label="What is shifted"
          className="bg-transparent text-[12px]"
          value={reach}
          onChange={(e) => setReach(e.target.value as typeof reach)}
        >
          <option value="this">this</option>
          <option value="on">from here on</option>
          <option value="all">all</option>
        </select>
      </Pair>
    </span>
  );
}

/**
 * The text of a caption, line by line; what is typed is kept when the field is left, or by Ctrl Enter. What plays
 * waits meanwhile. What was refused stays to be mended.
 */
function CaptionText({ text, onTyped }: { text: string; onTyped: (text: string) => void }) {
  const playback = usePlayback();
  // What was kept shows until the caption reads otherwise than it did.
  const [typed, setTyped] = useState<{ text: string; keptOver: string | null } | null>(null);
  const field = useRef<HTMLTextAreaElement>(null);
  const shown = typed && (typed.keptOver === null || typed.keptOver === text) ? typed.text : text;
  const left = () => {
    playback.goOnAfterTyping(usePlayhead.getState().episodeUs);
    if (shown.trim() === text) setTyped(null);
    else {
      setTyped({ text: shown, keptOver: text });
      onTyped(shown);
    }
  };
  return (
    <textarea
      ref={field}
      data-testid="caption-text"
      aria-label="Text of the caption"
      className="w-[250px] shrink-0 resize-none rounded border border-rule bg-paper px-2.5 py-1.5 font-serif text-[15px] leading-[20px]"
      rows={3}
      value={shown}
      title="Enter breaks the line, Ctrl Enter keeps it, Esc leaves it"
      onFocus={() => playback.waitForTyping()}
      onChange={(e) => setTyped({ text: e.target.value, keptOver: null })}
      onBlur={left}
      onKeyDown={(e) => {
        if (e.key === 'Escape') {
          flushSync(() => setTyped(null));
          field.current?.blur();
        } else if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) {
          e.preventDefault();
          field.current?.blur();
        }
      }}
    />
  );
}
