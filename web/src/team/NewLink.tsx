import { useState } from 'react';

/** A link that was just made: it is told this once, since only a trace of it is kept. */
export function NewLink({ url, who, onClose }: { url: string; who: string; onClose: () => void }) {
  const [copied, setCopied] = useState(false);
  return (
    <div className="mt-4 rounded-md bg-steelwash px-4 py-3" role="status">
      <label className="grid gap-1">
        <span>Send this to {who}. It works once, within seven days, and is not shown again.</span>
        <input className="field" readOnly value={url} onFocus={(e) => e.currentTarget.select()} />
      </label>
      <div className="mt-2 flex gap-2">
        <button className="button" onClick={() => void navigator.clipboard?.writeText(url).then(() => setCopied(true))}>
          {copied ? 'Copied' : 'Copy'}
        </button>
        <button className="button" onClick={onClose}>
          Done
        </button>
      </div>
    </div>
  );
}
