import type { ClipState, TranscriptColumns } from '../api/client';
import { isPared, removalsIn } from '../galley/stops';
import { usePlayback } from '../plate/Playback';
import { useChanges } from '../workbench/changes';
import { putPauseBack } from '../keyboard/paring';
import { ShownKey } from '../keyboard/ShownKey';
import { useWorkbench } from '../workbench/store';

/** The pause that is selected: how long it is, and what can be done with it. */
export function PauseActs({
  clip,
  word,
  transcript,
}: {
  clip: ClipState;
  word: number;
  transcript: TranscriptColumns;
}) {
  const playback = usePlayback();
  const changes = useChanges();
  const pared = isPared(transcript, clip, word);
  const seconds = (transcript.startUs[word + 1] - transcript.endUs[word]) / 1e6;
  const [removal] = removalsIn(transcript, clip, word);
  return (
    <span className="flex items-center gap-2 pl-1" data-testid="pause-acts">
      A pause of {seconds.toFixed(2)} s{pared && ', pared'}
      {pared ? (
        <button
          className="rounded px-2 py-1 hover:bg-paper"
          onClick={() => putPauseBack(changes, transcript, clip, word)}
        >
          Put back <ShownKey ours="r" />
        </button>
      ) : (
        <button
          className="rounded px-2 py-1 hover:bg-paper"
          onClick={() => void changes.change({ type: 'parePauseAfter', word })}
        >
          Pare <ShownKey ours="Backspace" />
        </button>
      )}
      <button
        className="rounded px-2 py-1 hover:bg-paper"
        onClick={() => playback.hearAround(transcript.endUs[word], false)}
      >
        Hear <ShownKey ours="h" />
      </button>
      {removal && (
        <button
          className="rounded px-2 py-1 hover:bg-paper"
          onClick={() => useWorkbench.setState({ loupe: removal.id, seam: null })}
        >
          Loupe <ShownKey ours="Enter" />
        </button>
      )}
    </span>
  );
}
