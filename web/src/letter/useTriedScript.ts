import { useEffect, useRef, useState } from 'react';
import { createStore, type StoreApi } from 'zustand';
import { api, type ClipState } from '../api/client';
import { useTriedStyle } from './triedStyle';

/** How long what was tried stands after it was kept, until the captions that have it are there. */
const AT_MOST_MS = 1500;

/** A script that is only being tried; null for none. */
export type TriedScript = StoreApi<{ text: string | null }>;

/**
 * The script of captions in a style that is only being tried. It stands until the captions that have it are
 * there, so that nothing flickers. Whoever draws it follows it, and the page is not drawn anew for it.
 *
 * @param words revision of the transcript that is looked at
 * @param script where the captions lie as they are
 */
export function useTriedScript(clip: ClipState | null, words: number, script: string | null): TriedScript {
  const [tried] = useState<TriedScript>(() => createStore(() => ({ text: null })));
  const id = clip?.id ?? null;
  const revision = clip?.revision ?? 0;
  const now = useRef({ seen: { clip: revision, words }, script });
  const came = useRef<{ text: string; over: string | null } | null>(null);
  const trying = useTriedStyle((s) => s.style !== null);
  useEffect(() => {
    now.current = { seen: { clip: revision, words }, script };
    if (!trying && came.current?.over !== script) stand(tried, came, null);
    if (trying) return;
    const timer = setTimeout(() => stand(tried, came, null), AT_MOST_MS);
    return () => clearTimeout(timer);
  }, [tried, trying, revision, words, script]);
  // It is asked for at once, not when the page has been drawn anew with what was moved.
  useEffect(() => {
    if (id === null) return;
    let working = false;
    let closed = false;
    const ask = async () => {
      if (working) return;
      working = true;
      // What was tried meanwhile is left out, but for the last.
      for (let asked = null, wanted = useTriedStyle.getState().style; wanted && asked !== wanted && !closed;) {
        asked = wanted;
        const { seen, script: over } = now.current;
        const text = await api.triedScript(id, asked, seen).catch(() => null);
        wanted = useTriedStyle.getState().style;
        const stands = wanted !== null || over === now.current.script;
        if (text !== null && stands && !closed) stand(tried, came, { text, over });
      }
      working = false;
    };
    void ask();
    const unsubscribe = useTriedStyle.subscribe(() => void ask());
    return () => {
      closed = true;
      unsubscribe();
      stand(tried, came, null);
    };
  }, [id, tried]);
  return tried;
}

function stand(
  tried: TriedScript,
  came: { current: { text: string; over: string | null } | null },
  next: { text: string; over: string | null } | null,
) {
  came.current = next;
  tried.setState({ text: next?.text ?? null });
}
