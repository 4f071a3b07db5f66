import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { api, type EpisodeCard, type Pick } from '../api/client';
import { deliverStage } from '../deliver/deliverStage';
import { frameStage } from '../frame/frameStage';
import { CorrectBar } from '../galley/CorrectBar';
import { LANE } from '../galley/Lane';
import { Galley } from '../galley/Galley';
import { GalleyBar } from '../galley/GalleyBar';
import { GlossaryProposal } from '../galley/GlossaryProposal';
import { MisfitList } from '../galley/MisfitList';
import { TypeAlong } from '../galley/TypeAlong';
import { letterStage } from '../letter/letterStage';
import { pareStage } from '../pare/pareStage';
import { pickStage } from '../pick/pickStage';
import { Playback, PlaybackContext } from '../plate/Playback';
import { Stills, StillsContext } from '../plate/Stills';
import { BatchNote } from '../queue/BatchNote';
import { usePresence } from '../team/presence';
import { ViewerNote } from '../team/ViewerNote';
import { AwayNote } from '../ui/AwayNote';
import { ArrivalNote } from './ArrivalNote';
import { Bench } from './Bench';
import { ChangesContext, ClipChanges } from './changes';
import { Corrections } from './corrections';
import { EpisodeHeader } from './EpisodeHeader';
import { HelpPanel } from '../keyboard/HelpPanel';
import { keyFor, keyName } from '../keyboard/keyMap';
import { openWords, useRemarks } from '../proof/remarks';
import type { Desk } from '../keyboard/desk';
import { useKeys } from '../keyboard/useKeys';
import { EpisodeProblem, Message } from './Notes';
import { PlateSide } from './PlateSide';
import { ReadingPanel } from './ReadingPanel';
import type { StageView } from './stageView';
import { isStage, useWorkbench, type Stage } from './store';
import { TranscriptPanel } from './TranscriptPanel';
import { useMakingClips } from './useMakingClips';
import { useOpenEpisode } from './useOpenEpisode';
import { usePlace } from './usePlace';

const VIEWS: Record<Stage, StageView> = {
  pick: pickStage,
  pare: pareStage,
  frame: frameStage,
  letter: letterStage,
  deliver: deliverStage,
};
const NO_PICKS: Pick[] = [];
const USUAL_FRAME_US = 40_000;

/** One episode: bench, galley with spine, plate, through the five stages. */
export function EpisodePage() {
  const queries = useQueryClient();
  const [playback] = useState(() => new Playback());
  const changes = useMemo(() => new ClipChanges(queries), [queries]);
  return (
    <PlaybackContext value={playback}>
      <ChangesContext value={changes}>
        <OpenPage playback={playback} changes={changes} />
      </ChangesContext>
    </PlaybackContext>
  );
}

function OpenPage({ playback, changes }: { playback: Playback; changes: ClipChanges }) {
  const id = Number(useParams().id);
  const named = useParams().stage;
  const stage = isStage(named) ? named : 'pick';
  const [params] = useSearchParams();
  const clipId = params.get('clip') ? Number(params.get('clip')) : null;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [help, setHelp] = useState(false);
  const [typing, setTyping] = useState(false);
  const searchField = useRef<HTMLInputElement>(null);
  const corrections = useMemo(() => new Corrections(queries, id), [queries, id]);
  const { open, setBrief, levels, doubtful, settled, shelfError, isOnShelf, transcriptError } = useOpenEpisode(
    id,
    clipId,
    stage,
  );
  const { item, card, transcript, clip, clips } = open;
  const view = VIEWS[stage];
  const stills = useStills(card);
  usePresence(id, clip?.id ?? null);
  useNothingChosenIn(id, clipId);
  usePlace(id, params.get('at'), transcript?.startUs ?? null);
  useEffect(() => {
    useWorkbench.setState({ message: null });
  }, [stage, clipId, id]);

  const goTo = useCallback(
    (next: Stage) => {
      const chosen = clipId ?? clips[0]?.id ?? null;
      const keep = next === 'pick' ? null : chosen;
      if (next !== 'pick' && next !== 'deliver' && keep === null) {
        useWorkbench.setState({
          message: `Make a clip first: keep a pick, or select words and press ${keyName(keyFor('c'))}.`,
        });
        return;
      }
      navigate(`/episodes/${id}/${next}${keep ? `?clip=${keep}` : ''}`);
    },
    [clipId, clips, id, navigate],
  );
  const openClip = (made: { id: number }, next: Stage = stage === 'pick' || stage === 'deliver' ? 'pare' : stage) =>
    navigate(`/episodes/${id}/${next}?clip=${made.id}`);
  const { keepWords, makeClip, markSelected, gatherSelected } = useMakingClips(open);
  const acts = { setBrief, openClip, keepWords, gatherSelected };
  const showHelp = useCallback(() => setHelp((h) => !h), []);
  const search = useCallback(() => searchField.current?.focus(), []);

  const lastEdited = useWorkbench((s) => s.lastEdited);
  const onTranscript = !clip || lastEdited === 'transcript';
  const edited = onTranscript ? transcript : clip;
  const stepBack = useCallback(
    () => void (onTranscript ? corrections.undo() : changes.undo()),
    [onTranscript, corrections, changes],
  );
  const stepOn = useCallback(
    () => void (onTranscript ? corrections.redo() : changes.redo()),
    [onTranscript, corrections, changes],
  );
  const frameUs = card ? (1e6 * card.frameRateDenominator) / card.frameRateNumerator : USUAL_FRAME_US;
  const remarks = useRemarks(clip?.id);
  const remarked = useMemo(() => (transcript ? openWords(remarks, transcript) : []), [remarks, transcript]);
  const desk: Desk | null = useMemo(
    () =>
      transcript && {
        playback,
        changes,
        transcript,
        corrections,
        doubtful,
        remarked,
        cues: open.cues,
        frameUs,
        goTo,
        help: showHelp,
        gatherSelected,
        makeClip,
        mark: markSelected,
        undo: stepBack,
        redo: stepOn,
      },
    [
      playback,
      changes,
      transcript,
      corrections,
      doubtful,
      remarked,
      open.cues,
      frameUs,
      goTo,
      showHelp,
      gatherSelected,
      makeClip,
      markSelected,
      stepBack,
      stepOn,
    ],
  );
  const lane = useMemo(() => {
    if (!clip || !view.lane) return null;
    const { of, named, width, retime } = view.lane;
    const retiming = retime
      ? {
          frameUs,
          move: (place: number, end: 'begin' | 'end', byUs: number) => retime(open, changes, place, end, byUs),
        }
      : null;
    return { pieces: of(clip, open), named, width: width ?? LANE, retiming };
  }, [clip, view, open, changes, frameUs]);

  if (shelfError) return <Notice text={shelfError.message} />;
  if (!isOnShelf) return <Notice text="This episode is not on the shelf." />;
  return (
    <StillsContext value={stills}>
      <div className="flex h-full flex-col">
        <EpisodeHeader
          item={item}
          clipId={clip?.id ?? null}
          stage={stage}
          goTo={goTo}
          undoes={edited?.undo ?? null}
          redoes={edited?.redo ?? null}
          undo={stepBack}
          redo={stepOn}
          help={showHelp}
        >
          {item && transcript && (
            <TranscriptPanel
              item={item}
              transcript={transcript}
              corrections={corrections}
              onType={() => setTyping(true)}
            />
          )}
          <ReadingPanel episodeId={id} />
        </EpisodeHeader>
        <AwayNote />
        <ViewerNote />
        <BatchNote />
        <Message />
        {item && item.state !== 'READY' && (
          <ArrivalNote
            item={item}
            untimed={transcript?.timed === false}
            onAgain={() => void api.tryAgain(id)}
            onStop={() => void api.stopIngest(id)}
          />
        )}
        {item && settled && <EpisodeProblem problem={item.problem} />}
        {desk && <Keys desk={desk} search={search} />}
        <div className="flex min-h-0 flex-1">
          {!view.Whole && !((view.Top || view.Beside) && clip) && (
            <Bench
              clips={clips}
              current={clipId}
              joinable={stage === 'pare'}
              onOpen={(c) => openClip(c)}
              onRead={() => navigate(`/episodes/${id}/pick`)}
            />
          )}
          {view.Whole && card ? (
            <view.Whole open={open} acts={acts} />
          ) : (
            <>
              <main className="flex min-w-0 flex-1 flex-col">
                <GalleyBar searchField={searchField} episodeId={id} left={<view.Bar open={open} acts={acts} />} />
                {transcript && (
                  <>
                    <CorrectBar
                      episodeId={id}
                      transcript={transcript}
                      corrections={corrections}
                      cuts={clip !== null}
                      doubtful={doubtful}
                    />
                    <GlossaryProposal episodeId={id} corrections={corrections} />
                    <MisfitList episodeId={id} transcript={transcript} />
                  </>
                )}
                <div className="min-h-0 flex-1">
                  {transcript && transcript.ids.length === 0 && !typing ? (
                    <p className="p-10 text-soft">
                      There are no words yet.{' '}
                      <button className="link" onClick={() => setTyping(true)}>
                        Type along
                      </button>
                      , or choose “The words” above to have them recognised or to put a text in place.
                    </p>
                  ) : transcript ? (
                    <Galley
                      transcript={transcript}
                      levels={levels}
                      clip={clip}
                      lane={lane}
                      cues={open.cues}
                      stage={stage}
                      picks={open.picks ?? NO_PICKS}
                      names={transcript.speakers}
                      corrections={corrections}
                      frameUs={frameUs}
                      remarked={remarked}
                    />
                  ) : (
                    <p className="p-10 text-soft">
                      {transcriptError ? transcriptError.message : 'Opening the transcript'}
                    </p>
                  )}
                </div>
                {view.Foot && <view.Foot open={open} acts={acts} />}
                {typing && transcript && (
                  <TypeAlong
                    corrections={corrections}
                    speakers={transcript.speakers}
                    onClose={() => setTyping(false)}
                  />
                )}
              </main>
              <PlateSide open={open} acts={acts} view={view} />
              {view.Edge && <view.Edge open={open} acts={acts} />}
            </>
          )}
        </div>
        {help && <HelpPanel onClose={() => setHelp(false)} />}
      </div>
    </StillsContext>
  );
}

/** What was chosen in one clip is not chosen in another. */
function useNothingChosenIn(id: number, clipId: number | null) {
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
}

/** Single pictures of the open episode; null where the browser cannot decode them. */
function useStills(card: EpisodeCard | null) {
  const stills = useMemo(
    () =>
      card && 'VideoDecoder' in globalThis
        ? new Stills(`/api/episodes/${card.id}/proxy?made=${card.madeAt}`, card)
        : null,
    // The card of an episode changes with what was made of it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [card?.id, card?.madeAt],
  );
  useEffect(() => () => stills?.close(), [stills]);
  return stills;
}

function Keys({ desk, search }: { desk: Desk; search: () => void }) {
  useKeys(desk, search);
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
