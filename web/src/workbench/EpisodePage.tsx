import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { X } from 'lucide-react';
import { api, type Brief, type ClipState, type Pick } from '../api/client';
import { useServerEvents } from '../api/events';
import { useLine } from '../api/line';
import { CorrectBar } from '../galley/CorrectBar';
import { GlossaryProposal } from '../galley/GlossaryProposal';
import { MisfitList } from '../galley/MisfitList';
import { TypeAlong } from '../galley/TypeAlong';
import { Galley } from '../galley/Galley';
import { GalleyBar } from '../galley/GalleyBar';
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
import { AwayNote } from '../ui/AwayNote';
import { usePainted } from '../ui/painted';
import { useCalm } from '../ui/useCalm';
import { ArrivalNote } from './ArrivalNote';
import { Bench } from './Bench';
import { EpisodeHeader } from './EpisodeHeader';
import { SelectionActions } from './SelectionActions';
import { usePlace } from './usePlace';
import { redo, undo } from './changes';
import { gather } from './gathered';
import { Corrections } from './corrections';
import { ReadingPanel } from './ReadingPanel';
import { TranscriptPanel } from './TranscriptPanel';
import { HelpPanel } from './HelpPanel';
import { keyFor, keyName } from './keyMap';
import { useKeys } from './keys';
import { ordered, useWorkbench, type Stage } from './store';

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
  const away = useLine((s) => !s.server || !s.database);
  const frameUs = episode.data ? (1e6 * episode.data.frameRateDenominator) / episode.data.frameRateNumerator : 40_000;
  const lastEdited = useWorkbench((s) => s.lastEdited);
  const onTranscript = !shownClip || lastEdited === 'transcript';
  const undoes = onTranscript ? transcript.data?.undo : shownClip?.undo;
  const redoes = onTranscript ? transcript.data?.redo : shownClip?.redo;
  const stepBack = useCallback(() => void (onTranscript ? corrections.undo() : undo()), [onTranscript, corrections]);
  const stepOn = useCallback(() => void (onTranscript ? corrections.redo() : redo()), [onTranscript, corrections]);

  const data = transcript.data;
  if (shelf.isError) return <Notice text={(shelf.error as Error).message} />;
  if (shelf.data && !item) return <Notice text="This episode is not on the shelf." />;
  return (
    <div className="flex h-full flex-col">
      <EpisodeHeader
        item={item ?? null}
        stage={stage}
        goTo={goTo}
        undoes={undoes ?? null}
        redoes={redoes ?? null}
        undo={stepBack}
        redo={stepOn}
        help={showHelp}
      >
        {item && data && (
          <TranscriptPanel item={item} transcript={data} corrections={corrections} onType={() => setTyping(true)} />
        )}
        <ReadingPanel episodeId={id} />
      </EpisodeHeader>
      <AwayNote />
      {message && !away && (
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
