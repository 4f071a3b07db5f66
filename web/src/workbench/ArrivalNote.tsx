import type { ShelfItem } from '../api/client';

/** What is being done to the episode, while its text is open already. */
export function ArrivalNote({
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
