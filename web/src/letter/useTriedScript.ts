import { useEffect, useRef, useState } from 'react';
import { api, type ClipState } from '../api/client';
import { useTriedStyle } from './triedStyle';

/** How long what was tried stands after it was kept, until the captions that have it are there. */
const AT_MOST_MS = 1500;

/**
 * The script of captions in a style that is only being tried; null for none. It stands until the captions that
 * have it are there, so that nothing flickers.
 *
 * @param script where the captions lie as they are
 */
export function useTriedScript(clip: ClipState | null, script: string | null): string | null {
  const style = useTriedStyle((s) => s.style);
  const [tried, setTried] = useState<{ text: string; over: string | null } | null>(null);
  const latest = useRef(style);
  const working = useRef(false);
  useEffect(() => {
    latest.current = style;
    if (!clip) return;
    if (!style) {
      const timer = setTimeout(() => setTried(null), AT_MOST_MS);
      return () => clearTimeout(timer);
    }
    if (working.current) return;
    working.current = true;
    void (async () => {
      // What was tried meanwhile is left out, but for the last.
      for (let asked = null; latest.current && asked !== latest.current;) {
        asked = latest.current;
        const text = await api.triedScript(clip.id, asked);
        if (text !== null) setTried({ text, over: script });
      }
      working.current = false;
    })();
  }, [style, clip, script]);
  return tried && (style || tried.over === script) ? tried.text : null;
}
