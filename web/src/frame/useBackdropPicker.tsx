import { useRef } from 'react';
import { api, type ClipState } from '../api/client';
import { useAsking } from '../ui/useAsking';
import { useChanges } from '../workbench/changes';

/** Lets a producer choose a backdrop's picture, and goes on with what needs one. */
export function useBackdropPicker(clip: ClipState) {
  const input = useRef<HTMLInputElement>(null);
  const next = useRef<() => void>(() => undefined);
  const { change } = useChanges();
  const { problem, ask } = useAsking('backdrops');
  const choose = (then: () => void) => {
    next.current = then;
    input.current?.click();
  };
  return {
    choose,
    /** At once where there is a backdrop, else when one was chosen. */
    withBackdrop: (then: () => void) => (clip.framed.backdrop ? then() : choose(then)),
    picker: (
      <>
        <input
          ref={input}
          type="file"
          className="hidden"
          accept=".png,.jpg,.jpeg,image/png,image/jpeg"
          aria-label="Picture of the backdrop"
          onChange={(e) => {
            const [file] = e.target.files ?? [];
            e.target.value = '';
            if (file)
              void ask(async () => {
                const { picture, aspect } = await api.addBackdrop(file);
                await change({ type: 'chooseBackdrop', backdrop: { picture, aspect } });
                next.current();
              });
          }}
        />
        {problem && (
          <p role="alert" className="text-accent">
            {problem}
          </p>
        )}
      </>
    ),
  };
}
