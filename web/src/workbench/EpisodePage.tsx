import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { Redo2, Search, Undo2, X } from 'lucide-react';
import { api, type Brief, type ClipState, type Pick, type ShelfItem } from '../api/client';
import { useServerEvents } from '../api/events';
import { CorrectBar } from '../galley/CorrectBar';
import { GlossaryProposal } from '../galley/GlossaryProposal';
import { MisfitList } from '../galley/MisfitList';
import { TypeAlong } from '../galley/TypeAlong';
import { Galley } from '../galley/Galley';
import { wordAt } from '../galley/setLines';
import { current } from '../plate/player';
import { usePlayhead } from '../plate/playhead';
import { LengthGauge } from '../plate/LengthGauge';
import { Plate } from '../plate/Plate';
import { Transport } from '../plate/Transport';
import { DeliverStage } from '../stages/DeliverStage';
import { FrameSide } from '../stages/FrameSide';
import { LetterSide } from '../stages/LetterSide';
import { PareBar } from '../stages/PareBar';
import { ParingsTray } from '../stages/ParingsTray';
import { HandOnPanel } from '../stages/HandOnPanel';
import { SoundPanel } from '../stages/SoundPanel';
import { PickSide } from '../stages/PickSide';
import { EpisodeMap } from '../stages/EpisodeMap';
import { usePainted } from '../ui/painted';
import { useCalm } from '../ui/useCalm';
import { Bench } from './Bench';
import { redo, undo } from './changes';
import { gather } from './gathered';
import { Corrections } from './corrections';
import { ReadingPanel } from './ReadingPanel';
import { TranscriptPanel } from './TranscriptPanel';
import { useReading } from './reading';
import { HelpPanel } from './HelpPanel';
import { keyFor, keyName } from './keyMap';
import { useKeys } from './keys';
import { ordered, STAGES, useWorkbench, type Stage } from './store';

/** Edits that follow one another quicker than this are previewed together. */
const CALM_MS = 120;

const NO_LEVELS = new Uint8Array();
const NO_PICKS: Pick[] = [];

/** One episode: bench, galley with spine, plate, through the five stages. */
export function EpisodePage() {
  useServerEvents();
  const id = Number(useParams().id);
  const stage = (useParams().stage ?? 'pick') as Stage;
  const [params] = useSearchParams();
  const clipId = params.get('clip') ? Number(params.get('clip')) : null;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [brief, setBrief] = useState<Brief | null>(null);
  const [help, setHelp] = useState(false);
  const [noteSeen, setNoteSeen] = useState(false);
  const searchField = useRef<HTMLInputElement>(null);
  const corrections = useMemo(() => new Corrections(queries, id), [queries, id]);

  const shelf = useQuery({ queryKey: ['shelf'], queryFn: api.shelf });
  const item = shelf.data?.find((e) => e.id === id);
  const ready = item?.playable ?? false;
  const settled = item?.state === 'READY';
  const [typing, setTyping] = useState(false);
  const episode = useQuery({ queryKey: ['episode', id], queryFn: () => api.episode(id), enabled: ready });
  const transcript = useQuery({ queryKey: ['transcript', id], queryFn: () => api.transcript(id) });
  /** The text comes first; what takes the server long waits for it. */
  const readable = usePainted(transcript.data !== undefined);
  const doubtful = useQuery({ queryKey: ['doubtful', id], queryFn: () => api.doubtful(id), enabled: readable });
  const levels = useQuery({
    queryKey: ['levels', id, episode.data?.madeAt],
    queryFn: () => api.levels(id, episode.data!.madeAt),
    enabled: ready && episode.data !== undefined,
    staleTime: Infinity,
  });
  const specs = useQuery({ queryKey: ['specs'], queryFn: api.specs, staleTime: Infinity });
  const clips = useQuery({
    queryKey: ['clips', id],
    queryFn: () => api.clips(id),
    enabled: ready && (readable || clipId !== null),
    structuralSharing: false,
  });
  const keptBrief = useQuery({ queryKey: ['brief', id], queryFn: () => api.brief(id), staleTime: Infinity });
  const wanted = brief ?? keptBrief.data ?? null;
  const picks = useQuery({
    queryKey: ['picks', id, wanted, transcript.data?.revision],
    queryFn: () => api.picks(id, wanted!),
    enabled: ready && readable && stage === 'pick' && wanted !== null,
    placeholderData: (before) => before,
    staleTime: Infinity,
  });

  const notYet = useRef({ playable: false, whole: false });
  useEffect(() => {
    if (!item) return;
    // What came with the episode may have been timed, or made, while it was taken in.
    if ((ready && notYet.current.playable) || (settled && notYet.current.whole)) {
      for (const key of ['transcript', 'doubtful', 'episode', 'picks', 'misfits', 'clips'])
        void queries.invalidateQueries({ queryKey: [key, id] });
    }
    notYet.current = { playable: !ready, whole: !settled };
  }, [item, ready, settled, id, queries]);
  usePlace(id, params.get('at'), transcript.data?.startUs ?? null);

  const clip = useWorkbench((s) => s.clip);
  const shownClip = clip && clip.id === clipId ? clip : null;
  useEffect(() => {
    const found = clips.data?.find((c) => c.id === clipId) ?? null;
    const held = useWorkbench.getState().clip;
    if (!found || held?.id !== found.id || (found.revision > held.revision && useWorkbench.getState().saving === 0)) {
      useWorkbench.setState({ clip: found });
    }
  }, [clips.data, clipId]);
  useEffect(() => {
    useWorkbench.setState({
      selection: null,
      hits: [],
      striking: [],
      correcting: null,
      loupe: null,
      seam: null,
      pause: null,
      gap: null,
      asRecorded: false,
    });
  }, [clipId, id]);

  useEffect(() => {
    useWorkbench.setState({ message: null });
  }, [stage, clipId, id]);

  const playing = useWorkbench((s) => s.playing);
  const shownRevision = useCalm(shownClip?.revision, shownClip?.id, playing ? 0 : CALM_MS);
  const preview = useQuery({
    queryKey: ['preview', shownClip?.id, shownRevision],
    queryFn: () => api.preview(shownClip!.id),
    enabled: shownClip !== null,
    staleTime: Infinity,
    gcTime: 0,
    structuralSharing: false,
    placeholderData: (before) => (shownClip ? before : undefined),
  });
  const shownPreview = shownClip ? (preview.data ?? null) : null;
  const people = useMemo(() => episode.data?.people.map((p) => p.name) ?? [], [episode.data]);
  const cues = useQuery({
    queryKey: ['cues', shownClip?.id, shownRevision],
    queryFn: () => api.cues(shownClip!.id),
    enabled: shownClip !== null && stage === 'letter',
    staleTime: Infinity,
    gcTime: 0,
    placeholderData: (before) => (shownClip ? before : undefined),
  });
  const shownCues = shownClip && stage === 'letter' ? (cues.data ?? null) : null;

  const goTo = useCallback(
    (next: Stage) => {
      const chosen = clipId ?? clips.data?.[0]?.id ?? null;
      const keep = next === 'pick' ? null : chosen;
      if (next !== 'pick' && next !== 'deliver' && keep === null) {
        useWorkbench.setState({
          message: `Make a clip first: keep a pick, or select words and press ${keyName(keyFor('c'))}.`,
        });
        return;
      }
      navigate(`/episodes/${id}/${next}${keep ? `?clip=${keep}` : ''}`);
    },
    [clipId, clips.data, id, navigate],
  );
  const openClip = (
    made: ClipState | { id: number },
    next: Stage = stage === 'pick' || stage === 'deliver' ? 'pare' : stage,
  ) => navigate(`/episodes/${id}/${next}?clip=${made.id}`);
  const keepWords = useCallback(
    async (first: number, last: number, open: boolean, title = '') => {
      try {
        const made = await api.createClip(id, first, last, title);
        await queries.invalidateQueries({ queryKey: ['clips', id] });
        useWorkbench.setState({ selection: null, message: open ? null : `Kept: ${made.delivered.title}` });
        if (open) navigate(`/episodes/${id}/pare?clip=${made.id}`);
      } catch (error) {
        useWorkbench.setState({ message: (error as Error).message });
      }
    },
    [id, navigate, queries],
  );
  const makeClip = useCallback(() => {
    const selection = useWorkbench.getState().selection;
    if (selection) void keepWords(...ordered(selection), true);
  }, [keepWords]);
  const markSelected = useCallback(async () => {
    const selection = useWorkbench.getState().selection;
    const t = transcript.data;
    if (!selection || !t) return;
    const [first, last] = ordered(selection);
    await api.addMark(id, { startUs: t.startUs[first], endUs: t.endUs[last], state: 'MARKED', title: '', note: '' });
    await queries.invalidateQueries({ queryKey: ['marks', id] });
    useWorkbench.setState({ message: null });
  }, [id, queries, transcript.data]);
  const gatherSelected = useCallback(() => {
    const selection = useWorkbench.getState().selection;
    const t = transcript.data;
    if (!selection || !t || !item) return;
    const [first, last] = ordered(selection);
    gather({
      episodeId: id,
      episode: item.title,
      firstWord: first,
      lastWord: last,
      startUs: t.startUs[first],
      lengthUs: t.endUs[last] - t.startUs[first],
      text: t.text.slice(first, last + 1).join(' '),
    });
    useWorkbench.setState({ message: `Gathered: ${last - first + 1} words. They wait under Pick, Gathered.` });
  }, [id, item, transcript.data]);
  const showHelp = useCallback(() => setHelp((h) => !h), []);
  const search = useCallback(() => searchField.current?.focus(), []);
  const message = useWorkbench((s) => s.message);
  const frameUs = episode.data ? (1e6 * episode.data.frameRateDenominator) / episode.data.frameRateNumerator : 40_000;
  const lastEdited = useWorkbench((s) => s.lastEdited);
  const onTranscript = !shownClip || lastEdited === 'transcript';
  const undoes = onTranscript ? transcript.data?.undo : shownClip?.undo;
  const redoes = onTranscript ? transcript.data?.redo : shownClip?.redo;
  const stepBack = useCallback(() => void (onTranscript ? corrections.undo() : undo()), [onTranscript, corrections]);
  const stepOn = useCallback(() => void (onTranscript ? corrections.redo() : redo()), [onTranscript, corrections]);

  const data = transcript.data;
  if (shelf.isError) return <Notice text="The server does not answer." />;
  if (shelf.data && !item) return <Notice text="This episode is not on the shelf." />;
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-[52px] shrink-0 items-center gap-3 border-b border-rule px-4">
        <Link to="/" className="flex items-center gap-2 font-serif text-[17px] font-semibold">
          <img src="/assets/mark.svg" alt="" width="22" height="22" />
          Paring Knife
        </Link>
        <span className="ml-2 truncate">
          {item?.show && <span className="text-soft">{item.show} / </span>}
          <b className="font-semibold">{item?.title}</b>
        </span>
        <nav className="ml-auto flex h-full" aria-label="Stages">
          {STAGES.map((s, i) => (
            <button
              key={s}
              onClick={() => goTo(s)}
              aria-current={s === stage ? 'step' : undefined}
              className={`border-b-[3px] px-3.5 ${s === stage ? 'border-accent font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
            >
              <span className="mr-1.5 text-[11px] text-faint">{i + 1}</span>
              {s[0].toUpperCase() + s.slice(1)}
            </button>
          ))}
        </nav>
        <div className="ml-3 flex items-center gap-1">
          <button
            className="rounded p-1.5 hover:bg-desk"
            disabled={!undoes}
            title={undoes ? `Undo: ${undoes}` : 'Nothing to undo'}
            aria-label="Undo"
            onClick={stepBack}
          >
            <Undo2 size={16} />
          </button>
          <button
            className="rounded p-1.5 hover:bg-desk"
            disabled={!redoes}
            title={redoes ? `Redo: ${redoes}` : 'Nothing to redo'}
            aria-label="Redo"
            onClick={stepOn}
          >
            <Redo2 size={16} />
          </button>
          {item && data && (
            <TranscriptPanel item={item} transcript={data} corrections={corrections} onType={() => setTyping(true)} />
          )}
          <ReadingPanel episodeId={id} />
          <button className="rounded px-2 py-1 hover:bg-desk" onClick={showHelp} aria-label="Keys" title="Keys (?)">
            ?
          </button>
          <SaveState />
        </div>
      </header>
      {message && (
        <div className="flex items-center justify-between border-b border-rule bg-wash px-5 py-2" role="alert">
          {message}
          <button aria-label="Dismiss" onClick={() => useWorkbench.setState({ message: null })}>
            <X size={15} />
          </button>
        </div>
      )}
      {item && item.state !== 'READY' && (
        <ArrivalNote
          item={item}
          untimed={transcript.data?.timed === false}
          onAgain={() => void api.tryAgain(id)}
          onStop={() => void api.stopIngest(id)}
        />
      )}
      {item && settled && item.problem && !noteSeen && (
        <div className="flex justify-between border-b border-rule bg-steelwash px-5 py-2">
          {item.problem}
          <button aria-label="Dismiss" onClick={() => setNoteSeen(true)}>
            <X size={15} />
          </button>
        </div>
      )}
      {data && (
        <Keys
          transcript={data}
          goTo={goTo}
          search={search}
          help={showHelp}
          gatherSelected={gatherSelected}
          makeClip={makeClip}
          mark={markSelected}
          undo={stepBack}
          redo={stepOn}
          corrections={corrections}
          doubtful={doubtful.data ?? []}
          frameUs={frameUs}
        />
      )}
      <div className="flex min-h-0 flex-1">
        {stage !== 'deliver' && (
          <Bench
            clips={clips.data ?? []}
            current={clipId}
            joinable={stage === 'pare'}
            onOpen={(c) => openClip(c)}
            onRead={() => navigate(`/episodes/${id}/pick`)}
          />
        )}
        {stage === 'deliver' && episode.data ? (
          <DeliverStage episodeId={id} onOpen={(c, s) => openClip({ id: c }, s)} />
        ) : (
          <>
            <main className="flex min-w-0 flex-1 flex-col">
              <GalleyBar
                searchField={searchField}
                episodeId={id}
                left={
                  stage === 'pare' && shownClip ? (
                    <PareBar
                      clip={shownClip}
                      specs={specs.data ?? []}
                      quietBelowDb={episode.data?.quietBelowDb ?? -120}
                    />
                  ) : (
                    <SelectionActions onKeep={keepWords} onGather={gatherSelected} clip={shownClip} />
                  )
                }
              />
              {data && (
                <CorrectBar
                  episodeId={id}
                  transcript={data}
                  corrections={corrections}
                  cuts={shownClip !== null}
                  doubtful={doubtful.data ?? []}
                />
              )}
              {data && <GlossaryProposal episodeId={id} corrections={corrections} />}
              {data && <MisfitList episodeId={id} transcript={data} />}
              <div className="min-h-0 flex-1">
                {data && data.ids.length === 0 && !typing ? (
                  <p className="p-10 text-soft">
                    There are no words yet.{' '}
                    <button className="link" onClick={() => setTyping(true)}>
                      Type along
                    </button>
                    , or choose “The words” above to have them recognised or to put a text in place.
                  </p>
                ) : data ? (
                  <Galley
                    transcript={data}
                    levels={levels.data ?? NO_LEVELS}
                    clip={shownClip}
                    preview={shownPreview}
                    cues={shownCues}
                    stage={stage}
                    picks={picks.data ?? NO_PICKS}
                    names={data.speakers}
                    people={people}
                    corrections={corrections}
                    frameUs={frameUs}
                  />
                ) : (
                  <p className="p-10 text-soft">
                    {transcript.isError ? (transcript.error as Error).message : 'Opening the transcript'}
                  </p>
                )}
              </div>
              {typing && data && (
                <TypeAlong corrections={corrections} speakers={data.speakers} onClose={() => setTyping(false)} />
              )}
            </main>
            <aside className="w-[330px] shrink-0 overflow-y-auto border-l border-rule bg-desk px-4 py-3.5">
              {episode.data && specs.data ? (
                <>
                  <Plate
                    episode={episode.data}
                    clip={shownClip}
                    preview={shownPreview}
                    captionScript={
                      shownClip && shownPreview && data
                        ? api.captionScript(shownClip.id, shownPreview.revision, data.revision)
                        : null
                    }
                    specs={specs.data}
                    stage={stage}
                    height={stage === 'pare' ? 350 : 330}
                  />
                  <Transport
                    lengthUs={shownClip ? shownClip.pared.lengthUs : episode.data.durationUs}
                    speed={shownClip?.pared.speed ?? 1}
                  />
                  {shownClip && <LengthGauge clip={shownClip} specs={specs.data} />}
                  {stage === 'pick' && data && wanted && (
                    <PickSide
                      specs={specs.data}
                      episodeId={id}
                      transcript={data!}
                      brief={wanted!}
                      onBrief={setBrief}
                      picks={picks.data ?? null}
                      error={picks.error}
                      onKeep={(first, last, title) => keepWords(first, last, false, title)}
                      clips={clips.data ?? []}
                    />
                  )}
                  {stage === 'pare' && shownClip && (
                    <>
                      <SoundPanel clip={shownClip} />
                      <ParingsTray clip={shownClip} />
                      <div className="mt-4">
                        <HandOnPanel clip={shownClip} ntsc={episode.data.frameRateDenominator === 1001} />
                      </div>
                    </>
                  )}
                  {stage === 'frame' && shownClip && (
                    <FrameSide clip={shownClip} episode={episode.data} preview={shownPreview} />
                  )}
                  {stage === 'letter' && shownClip && <LetterSide clip={shownClip} cues={shownCues} />}
                </>
              ) : (
                <div className="mx-auto grid h-[180px] w-[300px] place-items-center rounded-md bg-rule text-soft">
                  the picture follows
                </div>
              )}
            </aside>
            {stage === 'pick' && item && (
              <EpisodeMap
                episodeId={id}
                durationUs={item.durationUs}
                picks={picks.data ?? []}
                clips={clips.data ?? []}
              />
            )}
          </>
        )}
      </div>
      {help && <HelpPanel onClose={() => setHelp(false)} />}
    </div>
  );
}

/** What is being done to the episode, while its text is open already. */
function ArrivalNote({
  item,
  untimed,
  onAgain,
  onStop,
}: {
  item: ShelfItem;
  untimed: boolean;
  onAgain: () => void;
  onStop: () => void;
}) {
  if (item.state === 'FAILED' || item.state === 'STOPPED') {
    return (
      <div className="border-b border-rule bg-steelwash px-5 py-2">
        {item.state === 'STOPPED'
          ? 'Stopped.'
          : item.playable
            ? `This went wrong: ${item.problem ?? ''}`
            : `This episode could not be taken in. ${item.problem ?? ''}`}{' '}
        <button className="link underline" onClick={onAgain}>
          {item.state === 'STOPPED' ? 'Go on' : 'Try again'}
        </button>
      </div>
    );
  }
  const share = `${Math.round(item.progress * 100)} %`;
  return (
    <div className="flex items-center justify-between border-b border-rule bg-steelwash px-5 py-2">
      <span>
        {item.playable
          ? `Listening to the words: ${Math.round(item.stepProgress * 100)} %. You can go on working; what is found then takes its place.`
          : `Taking this episode in: ${share}. You can read and correct already; ${untimed ? 'the text is timed against the sound after that' : 'the sound and the picture follow'}.`}
      </span>
      <button className="link" onClick={onStop}>
        Stop
      </button>
    </div>
  );
}

/** Comes back to where the player was left, or goes to the moment in the address. */
function usePlace(episodeId: number, at: string | null, startUs: number[] | null) {
  const ready = startUs !== null;
  useEffect(() => {
    if (!ready || !startUs?.length) return;
    const wanted = at !== null ? Number(at) : useReading.getState().places[episodeId];
    if (!wanted) return;
    const word = wordAt(startUs, wanted + 1);
    if (word >= 0) useWorkbench.getState().select(word, word);
    const seek = setInterval(() => {
      if (!current.player) return;
      clearInterval(seek);
      current.seekEpisode(wanted);
    }, 200);
    return () => clearInterval(seek);
    // Once, when the text is there.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [episodeId, at, ready]);
  useEffect(() => {
    const keep = () =>
      useReading.setState((s) => ({ places: { ...s.places, [episodeId]: usePlayhead.getState().episodeUs } }));
    const every = setInterval(keep, 5_000);
    return () => {
      clearInterval(every);
      keep();
    };
  }, [episodeId]);
}

function Keys(props: Parameters<typeof useKeys>[0]) {
  useKeys(props);
  return null;
}

function Notice({ text }: { text: string }) {
  return (
    <div className="grid h-full place-items-center">
      <p>
        {text}{' '}
        <Link className="link" to="/">
          Back to the shelf
        </Link>
      </p>
    </div>
  );
}

function SelectionActions({
  onKeep,
  onGather,
  clip,
}: {
  onKeep: (first: number, last: number, open: boolean) => void;
  onGather: () => void;
  clip: ClipState | null;
}) {
  const selection = useWorkbench((s) => s.selection);
  if (clip) return <span className="font-serif text-[15px] font-semibold">{clip.delivered.title}</span>;
  if (!selection) return <span className="text-soft">Read, listen, select words to make a clip.</span>;
  const [first, last] = ordered(selection);
  const words = last - first + 1;
  return (
    <span className="flex items-center gap-3">
      <span className="text-soft">
        {words} word{words === 1 ? '' : 's'} selected
      </span>
      <button className="button button-strong" onClick={() => onKeep(first, last, true)}>
        Make it a clip
      </button>
      <button
        className="button"
        onClick={onGather}
        title={`Gather these words for a clip put together from several places (${keyName(keyFor('g'))})`}
      >
        Gather
      </button>
    </span>
  );
}

function GalleyBar({
  searchField,
  episodeId,
  left,
}: {
  searchField: React.RefObject<HTMLInputElement | null>;
  episodeId: number;
  left: React.ReactNode;
}) {
  const hits = useWorkbench((s) => s.hits);
  const hit = useWorkbench((s) => s.hit);
  const [phrase, setPhrase] = useState('');
  const wanted = useRef('');
  const find = async (text: string) => {
    wanted.current = text;
    setPhrase(text);
    const found = text.trim() ? await api.search(episodeId, text) : [];
    if (wanted.current !== text) return;
    // A late answer that says the same must not take the reader back to the first hit.
    const same = JSON.stringify(found) === JSON.stringify(useWorkbench.getState().hits);
    useWorkbench.setState((s) => ({ hits: found, hit: same ? s.hit : 0 }));
  };
  const move = (by: number) => useWorkbench.setState({ hit: hits.length ? (hit + by + hits.length) % hits.length : 0 });
  return (
    <div className="flex h-[46px] shrink-0 items-center gap-3 border-b border-rule px-5">
      {left}
      <div className="ml-auto flex items-center gap-3">
        <label className="flex items-center gap-1.5 text-soft">
          <Search size={14} aria-hidden="true" />
          <input
            ref={searchField}
            className="field w-[150px]"
            placeholder={`Find  ( ${keyName(keyFor('/'))} )`}
            aria-label="Find in the transcript"
            value={phrase}
            onChange={(e) => void find(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === 'Enter') move(e.shiftKey ? -1 : 1);
              if (e.key === 'Escape') {
                void find('');
                e.currentTarget.blur();
              }
            }}
          />
          <span className="w-[52px] text-[12px] tabular-nums" data-testid="hits">
            {phrase.trim() ? (hits.length ? `${hit + 1} of ${hits.length}` : 'none') : ''}
          </span>
        </label>
      </div>
    </div>
  );
}

/** Whether the server has answered for every change; on its own, since it turns at every key. */
function SaveState() {
  const saving = useWorkbench((s) => s.saving > 0);
  useEffect(() => {
    if (!saving) return;
    const askFirst = (leaving: BeforeUnloadEvent) => leaving.preventDefault();
    window.addEventListener('beforeunload', askFirst);
    return () => window.removeEventListener('beforeunload', askFirst);
  }, [saving]);
  return (
    <span className="w-[52px] text-right text-[12px] text-soft" role="status" data-testid="saved">
      {saving ? 'Saving' : 'Saved'}
    </span>
  );
}
