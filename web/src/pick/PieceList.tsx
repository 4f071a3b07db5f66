import { useState } from 'react';
import { Play } from 'lucide-react';
import { api, type Piece, type TranscriptColumns } from '../api/client';
import { usePlayback } from '../plate/Playback';
import { clock } from '../ui/time';
import { useWorkbench } from '../workbench/store';

interface Props {
  episodeId: number;
  transcript: TranscriptColumns;
  onKeep: (first: number, last: number, title: string) => Promise<void>;
}

/** One recording of several scripted pieces, parted at its breaks or by the scripts. */
export function PieceList({ episodeId, transcript, onKeep }: Props) {
  const playback = usePlayback();
  const [scripts, setScripts] = useState('');
  const [breakSeconds, setBreakSeconds] = useState(2.5);
  const [pieces, setPieces] = useState<(Piece & { wanted: boolean })[] | null>(null);
  const [busy, setBusy] = useState(false);
  const look = async () =>
    setPieces((await api.pieces(episodeId, scripts, breakSeconds)).map((p) => ({ ...p, wanted: true })));
  const wanted = pieces?.filter((p) => p.wanted) ?? [];
  const change = (i: number, to: Partial<Piece & { wanted: boolean }>) =>
    setPieces(pieces!.map((p, k) => (k === i ? { ...p, ...to } : p)));
  return (
    <div className="mt-2">
      <textarea
        className="field h-24 font-serif"
        placeholder="Paste the scripts, a blank line between two. Or leave this empty and part at the breaks."
        aria-label="Scripts"
        value={scripts}
        onChange={(e) => setScripts(e.target.value)}
      />
      <div className="mt-2 flex items-center gap-2">
        {!scripts.trim() && (
          <label className="flex items-center gap-1 text-soft">
            breaks of
            <input
              type="number"
              className="field w-[62px]"
              min={0.5}
              step={0.5}
              value={breakSeconds}
              onChange={(e) => setBreakSeconds(Number(e.target.value))}
            />
            s
          </label>
        )}
        <button className="button ml-auto" onClick={() => void look()}>
          Find the pieces
        </button>
      </div>
      {pieces?.length === 0 && <p className="mt-3 text-soft">None of it was found in this recording.</p>}
      <ul className="mt-2">
        {pieces?.map((p, i) => (
          <li key={p.first} className="flex items-center gap-2 border-b border-rule py-1.5" data-testid="piece">
            <input
              type="checkbox"
              aria-label={`Make a clip of ${p.title}`}
              checked={p.wanted}
              onChange={() => change(i, { wanted: !p.wanted })}
            />
            <button
              className="flex items-center gap-1 text-[12px] text-soft tabular-nums hover:text-ink"
              onClick={() => {
                useWorkbench.getState().select(p.first, p.last);
                playback.seekEpisode(transcript.startUs[p.first]);
              }}
            >
              <Play size={12} /> {clock(transcript.startUs[p.first])}
            </button>
            <input
              className="field flex-1 font-serif"
              aria-label="Title of the piece"
              value={p.title}
              onChange={(e) => change(i, { title: e.target.value })}
            />
            <span className="w-[74px] text-right text-[11.5px] leading-tight text-soft">
              {Math.round((transcript.endUs[p.last] - transcript.startUs[p.first]) / 1e6)} s
              {p.attempts > 0 && <span className="block">{p.attempts} said again</span>}
              {p.matched < 0.95 && <span className="block">{Math.round(p.matched * 100)} % said</span>}
            </span>
          </li>
        ))}
      </ul>
      {wanted.length > 0 && (
        <button
          className="button button-strong mt-3 w-full"
          disabled={busy}
          onClick={async () => {
            setBusy(true);
            for (const p of wanted) await onKeep(p.first, p.last, p.title);
            setBusy(false);
          }}
        >
          Make {wanted.length} clip{wanted.length === 1 ? '' : 's'}
        </button>
      )}
    </div>
  );
}
