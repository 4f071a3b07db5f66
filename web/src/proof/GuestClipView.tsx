import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import type { Guest, GuestClip, Refused } from './guestApi';
import { GuestText } from './GuestText';
import { RemarkThread } from './RemarkThread';
import { RemarkForm } from './RemarkForm';
import { useGuestName } from './guestName';

const SECOND = 1e6;

interface Props {
  guest: Guest;
  id: number;
  /** Names the film; another one when the clip has changed. */
  file: number;
  /** Another text when somebody said something, or something was done. */
  told: string;
  downloads: boolean;
  onSaid: () => void;
}

/** One clip: the film, what is said in it, remarks where they belong, and the two answers. */
export function GuestClipView({ guest, id, file, told, downloads, onSaid }: Props) {
  const film = useRef<HTMLVideoElement>(null);
  const [clip, setClip] = useState<GuestClip | null>(null);
  const [problem, setProblem] = useState('');
  const [now, setNow] = useState(-1);
  /** The word that is being remarked on, by its place. */
  const [remarking, setRemarking] = useState<number | null>(null);
  const { name, asking, withName } = useGuestName();
  /** How often something was said: what was asked for before that is older than its answer. */
  const said = useRef(0);
  useEffect(() => {
    let latest = true;
    const before = said.current;
    guest.clip(id).then(
      (now) => latest && said.current === before && setClip(now),
      (error: Refused) => latest && setProblem(error.message),
    );
    return () => {
      latest = false;
    };
  }, [guest, id, file, told]);
  const words = clip?.words;
  const follow = useCallback(() => {
    const atUs = (film.current?.currentTime ?? 0) * SECOND;
    let at = -1;
    words?.forEach((w, i) => {
      if (w.fromUs <= atUs + 20_000) at = i;
    });
    setNow(at);
  }, [words]);
  const goTo = (us: number) => {
    if (film.current) film.current.currentTime = us / SECOND + 0.01;
  };
  const send = async (ask: () => Promise<GuestClip>) => {
    try {
      said.current++;
      const now = await ask();
      said.current++;
      setClip(now);
      setProblem('');
      onSaid();
      return true;
    } catch (error) {
      setProblem((error as Refused).message);
      return false;
    }
  };
  if (!clip) return <p className="px-4 text-soft">{problem || 'Opening'}</p>;
  const say = (approved: boolean) => withName((author) => void send(() => guest.say(id, approved, author, clip.file)));
  return (
    <>
      <div className="flex min-h-0 flex-1 flex-col px-4 min-[860px]:flex-row min-[860px]:gap-8">
        <div className="shrink-0 min-[860px]:w-[380px]">
          <video
            ref={film}
            key={clip.file}
            className="mx-auto max-h-[42vh] rounded-lg bg-black min-[860px]:max-h-[68vh]"
            src={guest.film(id, clip.file)}
            controls
            playsInline
            preload="metadata"
            aria-label={clip.title}
            onTimeUpdate={follow}
            onSeeked={follow}
          />
          {downloads && (
            <p className="mt-2 text-center text-[12.5px] text-soft">
              Take along:{' '}
              {(['film', 'txt', 'srt', 'vtt'] as const).map((what) => (
                <a key={what} className="link mx-1" href={guest.taken(id, what)} download>
                  {{ film: 'film', txt: 'text', srt: 'SubRip', vtt: 'WebVTT' }[what]}
                </a>
              ))}
            </p>
          )}
        </div>
        <div className="mt-3 min-h-0 min-w-0 flex-1 overflow-y-auto pb-4 min-[860px]:mt-0">
          <h2 className="mb-1 font-serif text-[19px] leading-snug font-semibold">{clip.title}</h2>
          {clip.looked && (clip.gone.length > 0 || clip.words.some((w) => w.isNew)) && (
            <p className="mb-1 text-[12.5px] text-soft">
              Since you last looked: what is <span className="proof-new">new is underlined</span>, a gap mark stands
              where something went.
            </p>
          )}
          <GuestText
            clip={clip}
            now={now}
            chosen={remarking}
            thread={(remark) => (
              <RemarkThread
                remark={remark}
                answers={clip.remarks.filter((a) => a.answers === remark.id)}
                name={name}
                onGo={() => goTo(remark.fileUs)}
                onAnswer={(author, text) => send(() => guest.answer(id, remark.id, author, text))}
              />
            )}
            onWord={(i) => {
              film.current?.pause();
              goTo(clip.words[i].fromUs);
              setRemarking(i);
            }}
          />
          {clip.remarks.length === 0 && remarking === null && (
            <p className="mt-2 text-[12.5px] text-soft">Touch a word to leave a remark there.</p>
          )}
        </div>
      </div>
      <footer className="shrink-0 border-t border-rule px-4 py-3">
        {problem && (
          <p role="alert" className="mb-2 text-accent">
            {problem}
          </p>
        )}
        {remarking !== null ? (
          <RemarkForm
            key={remarking}
            about={clip.words[remarking]}
            name={name}
            onSend={(author, text) =>
              send(() => guest.remark(id, author, text, clip.words[remarking].fromUs)).then(
                (sent) => sent && setRemarking(null),
              )
            }
            onLeave={() => setRemarking(null)}
          />
        ) : (
          <Answers clip={clip} asking={asking} onSay={say} />
        )}
      </footer>
    </>
  );
}

/** The two answers, and what was answered before. */
function Answers({ clip, asking, onSay }: { clip: GuestClip; asking: ReactNode; onSay: (approved: boolean) => void }) {
  return (
    <>
      {asking}
      {clip.approved !== null && (
        <p className="mb-2 text-[12.5px] text-soft" role="status">
          {clip.approved ? 'Yes' : 'Changes asked for'}, said {clip.answeredBy}
          {clip.answeredNow ? '. You can say otherwise.' : ', before the last change.'}
        </p>
      )}
      <div className="flex gap-2 min-[860px]:justify-end">
        <button className="button flex-1 py-2.5 min-[860px]:flex-none" onClick={() => onSay(false)}>
          Ask for changes
        </button>
        <button className="button button-strong flex-1 py-2.5 min-[860px]:flex-none" onClick={() => onSay(true)}>
          Yes to this one
        </button>
      </div>
    </>
  );
}
