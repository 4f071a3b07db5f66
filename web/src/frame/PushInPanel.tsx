import { Trash2 } from 'lucide-react';
import type { ClipState, TranscriptColumns } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { assertNever } from '../ui/assertNever';
import { useChanges } from '../workbench/changes';
import { Choice } from './Choice';
import { CurveField } from './CurveField';
import type { PushIn } from './framing';
import type { Standing } from './reach';
import { SOFT } from './useFrameActs';
import { joined } from '../ui/spacing';

const SHARES = [0.08, 0.12, 0.2];
const NOT = 0;

const percent = (share: number) => `${Math.round(share * 100)} %`;

function why(pushIn: PushIn): string {
  switch (pushIn.why) {
    case 'BY_HAND':
      return 'by hand';
    case 'LOUD':
      return 'said louder';
    case 'KEY_WORD':
      return 'key word';
    case 'LAST_LINE':
      return 'last line';
    default:
      return assertNever(pushIn.why);
  }
}

/** Push-ins: on the words selected, those there are, and sizes at joins. */
export function PushInPanel({
  clip,
  transcript,
  standing,
}: {
  clip: ClipState;
  transcript: TranscriptColumns | null;
  standing: Standing | null;
}) {
  const { change } = useChanges();
  const { pushIns, alternating } = clip.framed;
  const selected = standing?.selected ?? null;
  const here = selected
    ? pushIns.find((p) => p.span.startUs < selected.endUs && selected.startUs < p.span.endUs)
    : undefined;
  const words = selected && transcript ? `“${shortened(wordsIn(transcript, selected))}”` : null;
  const set = (share: number) => {
    if (here) void (share === NOT ? change({ type: 'dropPushIns', ids: [here.id] }) : edit(here, { share }));
    else if (selected && share !== NOT)
      void change({ type: 'pushInOn', span: selected, share, move: 'GLIDE', curve: SOFT });
  };
  const edit = (pushIn: PushIn, changed: Partial<PushIn>) => {
    const { id, span, share, move, curve, on } = { ...pushIn, ...changed };
    return change({ type: 'changePushIn', id, span, share, move, curve, on });
  };
  return (
    <div className="grid grid-cols-1 gap-3">
      {words ? (
        <Choice
          label={`Push in on ${words}`}
          value={here?.share ?? NOT}
          options={[NOT, ...SHARES].map((s) => ({ value: s, name: s === NOT ? 'None' : percent(s) }))}
          onChoose={set}
        >
          {here && (
            <>
              {(['STEP', 'GLIDE'] as const).map((move) => (
                <button
                  key={move}
                  className="button button-small"
                  aria-pressed={here.move === move}
                  onClick={() => void edit(here, { move })}
                >
                  {move === 'STEP' ? 'Step' : 'Glide'}
                </button>
              ))}
              <button className="button button-small" onClick={() => void edit(here, { span: selected! })}>
                Move it here
              </button>
            </>
          )}
        </Choice>
      ) : (
        <p className="text-[12.5px] text-soft">Select words to push in on them, or have the strongest proposed.</p>
      )}
      {here?.move === 'GLIDE' && <CurveField curve={here.curve} onChange={(curve) => void edit(here, { curve })} />}
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <button
          className="button button-small"
          onClick={() => void change({ type: 'proposePushIns', share: 0.12, move: 'GLIDE' })}
        >
          Propose on the strongest words
        </button>
        <Choice
          label="At joins, sizes alternate"
          value={alternating}
          options={[NOT, ...SHARES].map((s) => ({ value: s, name: s === NOT ? 'No' : percent(s) }))}
          onChoose={(share) => void change({ type: 'alternate', share })}
        />
      </div>
      {pushIns.length > 0 && (
        <PushInList
          pushIns={pushIns}
          transcript={transcript}
          onEdit={edit}
          onDrop={(p) => void change({ type: 'dropPushIns', ids: [p.id] })}
        />
      )}
    </div>
  );
}

function PushInList({
  pushIns,
  transcript,
  onEdit,
  onDrop,
}: {
  pushIns: PushIn[];
  transcript: TranscriptColumns | null;
  onEdit: (pushIn: PushIn, changed: Partial<PushIn>) => Promise<void>;
  onDrop: (pushIn: PushIn) => void;
}) {
  const playback = usePlayback();
  return (
    <ul className="grid grid-cols-1 gap-1" aria-label="Push-ins">
      {pushIns.map((p) => (
        <li key={p.id} className="flex items-center gap-2 text-[12.5px]">
          <input
            type="checkbox"
            aria-label="On"
            checked={p.on}
            onChange={(e) => void onEdit(p, { on: e.target.checked })}
          />
          <button
            className={`min-w-0 flex-1 truncate text-left font-serif text-[14px] ${p.on ? '' : 'text-faint'}`}
            onClick={() => playback.hearAround(p.span.startUs, false)}
            title="Play it"
          >
            {transcript ? wordsIn(transcript, p.span) : ''}
          </button>
          <span className="shrink-0 text-faint">{why(p)}</span>
          <span className="w-10 shrink-0 text-right tabular-nums">{percent(p.share)}</span>
          <button className="rounded p-1 text-faint hover:text-ink" aria-label="Take it away" onClick={() => onDrop(p)}>
            <Trash2 size={13} />
          </button>
        </li>
      ))}
    </ul>
  );
}

/** The words between two times. */
export function wordsIn(transcript: TranscriptColumns, span: { startUs: number; endUs: number }): string {
  const words: string[] = [];
  transcript.text.forEach((text, i) => {
    if (transcript.startUs[i] < span.endUs && transcript.endUs[i] > span.startUs) words.push(text);
  });
  return joined(words);
}

const LONGEST = 26;
const shortened = (text: string) => (text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text);
