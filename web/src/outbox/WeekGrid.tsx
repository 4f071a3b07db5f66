import { useState } from 'react';
import type { Posting } from '../api/client';
import { canBePutOff, standing, timeOfDay, wantsHand } from './standing';
import { daysOf, onDay, type Day } from './weeks';

const DRAGGED = 'text/x-posting';
const MOST = 3;
const NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

const marks: Record<Posting['state'], string> = {
  SCHEDULED: 'border-steel',
  SENDING: 'border-steel bg-steelwash',
  ACCEPTED: 'border-transparent bg-steelwash',
  REFUSED: 'border-accent',
  MISSED: 'border-accent',
  WITHDRAWING: 'border-rule text-soft line-through',
  WITHDRAWN: 'border-rule text-soft line-through',
};

/** What is posted in some weeks, a day a field; what waits is carried to another day. */
export function WeekGrid({
  first,
  postings,
  chosen,
  onChoose,
  onPutOff,
}: {
  first: Date;
  postings: Posting[];
  chosen: number | null;
  onChoose: (id: number) => void;
  onPutOff: (posting: Posting, wallClock: string) => void;
}) {
  const [carried, setCarried] = useState<Posting | null>(null);
  return (
    <div className="mt-4 grid grid-cols-7 border-t border-l border-rule" data-testid="weeks">
      {NAMES.map((name) => (
        <div key={name} className="label border-r border-b border-rule px-2 py-1">
          {name}
        </div>
      ))}
      {daysOf(first, postings).map((day) => (
        <DayField
          key={day.date.toISOString()}
          day={day}
          chosen={chosen}
          onChoose={onChoose}
          onCarry={setCarried}
          onDrop={() => {
            if (carried) onPutOff(carried, onDay(day.date, new Date(carried.dueAt)));
            setCarried(null);
          }}
        />
      ))}
    </div>
  );
}

function DayField({
  day,
  chosen,
  onChoose,
  onCarry,
  onDrop,
}: {
  day: Day;
  chosen: number | null;
  onChoose: (id: number) => void;
  onCarry: (posting: Posting) => void;
  onDrop: () => void;
}) {
  const [isOver, setIsOver] = useState(false);
  const [all, setAll] = useState(false);
  const isToday = day.date.toDateString() === new Date().toDateString();
  const shown = all ? day.postings : day.postings.slice(0, MOST);
  return (
    <div
      className={`flex min-h-[104px] min-w-0 flex-col gap-1 border-r border-b border-rule p-1.5 ${isOver ? 'bg-wash' : ''}`}
      role="group"
      aria-label={day.date.toLocaleDateString(undefined, { weekday: 'long', day: 'numeric', month: 'long' })}
      onDragOver={(e) => {
        if (!e.dataTransfer.types.includes(DRAGGED)) return;
        e.preventDefault();
        setIsOver(true);
      }}
      onDragLeave={() => setIsOver(false)}
      onDrop={() => {
        setIsOver(false);
        onDrop();
      }}
    >
      <span className={`px-0.5 text-[12px] tabular-nums ${isToday ? 'font-semibold text-accent' : 'text-soft'}`}>
        {day.date.getDate() === 1 || isToday
          ? day.date.toLocaleDateString(undefined, { day: 'numeric', month: 'short' })
          : day.date.getDate()}
        {isToday && ' today'}
      </span>
      {shown.map((p) => (
        <button
          key={p.id}
          className={`overflow-hidden rounded border px-1.5 py-0.5 text-left text-[12px] leading-snug ${marks[p.state]} ${p.id === chosen ? 'outline-2 outline-offset-1 outline-accent' : ''}`}
          aria-pressed={p.id === chosen}
          data-testid="posting"
          data-state={p.state}
          draggable={canBePutOff(p)}
          onDragStart={(e) => {
            e.dataTransfer.setData(DRAGGED, String(p.id));
            onCarry(p);
          }}
          onClick={() => onChoose(p.id)}
        >
          <span className="flex items-baseline gap-1 text-soft">
            <span className="tabular-nums">{timeOfDay(p.dueAt)}</span>
            {wantsHand(p) && (
              <b className="ml-auto text-accent" aria-hidden>
                !
              </b>
            )}
          </span>
          <span className="block truncate">{p.clip}</span>
          <span className="block truncate text-[11px] text-soft">{p.destination}</span>
          <span className="sr-only">{standing(p)}</span>
        </button>
      ))}
      {day.postings.length > MOST && (
        <button className="link min-h-[24px] px-0.5 text-left text-[12px]" onClick={() => setAll(!all)}>
          {all ? 'fewer' : `${day.postings.length - MOST} more`}
        </button>
      )}
    </div>
  );
}
