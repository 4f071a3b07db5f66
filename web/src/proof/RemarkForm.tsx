import type { GuestClip } from './guestApi';
import { clock } from '../ui/time';
import { keepName } from './guestName';

/** Writes a remark on a word. */
export function RemarkForm({
  about,
  name,
  onSend,
  onLeave,
}: {
  about: GuestClip['words'][number];
  name: string;
  onSend: (author: string, text: string) => void;
  onLeave: () => void;
}) {
  return (
    <form
      className="grid gap-2 border-l-[3px] border-accent bg-wash px-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        const written = new FormData(e.currentTarget);
        const author = (written.get('author') as string).trim();
        keepName(author);
        onSend(author, written.get('text') as string);
      }}
      onKeyDown={(e) => e.key === 'Escape' && onLeave()}
    >
      <label className="text-[12.5px]" htmlFor="remark">
        <b>{about.text}</b>, {clock(about.fromUs)}
      </label>
      <textarea id="remark" name="text" className="field min-h-[58px]" maxLength={2000} autoFocus required />
      <div className="flex gap-2">
        <input
          name="author"
          className="field"
          defaultValue={name}
          placeholder="Your name"
          aria-label="Your name"
          maxLength={80}
          required
        />
        <button type="button" className="button" onClick={onLeave}>
          Leave it
        </button>
        <button className="button button-strong">Remark</button>
      </div>
    </form>
  );
}
