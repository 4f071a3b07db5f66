import { Pause, Play, X } from 'lucide-react';
import { sizeText } from '../ui/time';
import { giveUpSending, goOnSending, pauseSending, useUploads, type Sending } from './uploads';

/** Files on their way, each with what is sent, the rest time, and a way to pause. */
export function UploadList() {
  const files = useUploads((s) => s.files);
  if (!files.length) return null;
  return (
    <ul className="mt-3" data-testid="uploads">
      {files.map((f) => (
        <li key={f.key} className="flex items-center gap-3 border-b border-rule py-1.5">
          <span className="w-64 truncate">{f.name}</span>
          <div className="h-1.5 flex-1 overflow-hidden rounded-full bg-rule">
            <div className="h-full bg-steel" style={{ width: `${f.bytes ? (f.sent / f.bytes) * 100 : 100}%` }} />
          </div>
          <span className="w-[250px] text-right text-[12.5px] text-soft tabular-nums">{stateText(f)}</span>
          {f.state === 'sending' && (
            <button aria-label={`Pause ${f.name}`} onClick={() => pauseSending(f.key)}>
              <Pause size={15} />
            </button>
          )}
          {(f.state === 'paused' || f.state === 'failed') && (
            <button aria-label={`Go on with ${f.name}`} onClick={() => goOnSending(f.key)}>
              <Play size={15} />
            </button>
          )}
          <button aria-label={`Take ${f.name} off the list`} onClick={() => giveUpSending(f.key)}>
            <X size={15} />
          </button>
        </li>
      ))}
    </ul>
  );
}

function stateText(f: Sending): string {
  const amount = `${sizeText(f.sent)} of ${sizeText(f.bytes)}`;
  if (f.state === 'done') return `${sizeText(f.bytes)}, here`;
  if (f.state === 'paused') return `${amount}, paused`;
  if (f.state === 'waiting') return `${amount}, waiting for the connection`;
  if (f.state === 'failed') return f.problem;
  if (!f.pace) return amount;
  const left = (f.bytes - f.sent) / f.pace;
  return `${amount}, ${left < 90 ? `${Math.ceil(left)} s` : `${Math.round(left / 60)} min`} left`;
}
