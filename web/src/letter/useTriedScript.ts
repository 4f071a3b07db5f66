import { useEffect, useRef, useState } from 'react';
import { createStore } from 'zustand';
import { api, type ClipState, type Style } from '../api/client';
import type { Followed } from '../plate/Followed';
import { usePlayhead } from '../plate/playhead';
import { useTriedStyle } from './triedStyle';

/** Captions further than fifteen seconds from the moment that was asked for do not come. */
const NEAR_US = 12e6;

/** How long what was tried stands after it was kept, until the captions that have it are there. */
const AT_MOST_MS = 1500;

interface Tried {
  /** Null for none. */
  text: string | null;
  /** Where the captions lie that it stands instead of. */
  over: string | null;
}

const NONE: Tried = { text: null, over: null };

/**
 * The script of captions in a style that is only being tried. It stands until the captions that have it are
 * there, so that nothing flickers. Whoever draws it follows it, and the page is not drawn anew for it.
 *
 * @param words revision of the transcript that is looked at
 * @param script where the captions lie as they are
 */
export function useTriedScript(clip: ClipState | null, words: number, script: string | null): Followed<Tried> {
  const [tried] = useState(() => createStore(() => NONE));
  const id = clip?.id ?? null;
  const revision = clip?.revision ?? 0;
  const now = useRef({ seen: { clip: revision, words }, script });
  const trying = useTriedStyle((s) => s.style !== null);
  useEffect(() => {
    now.current = { seen: { clip: revision, words }, script };
    if (trying) return;
    if (tried.getState().over !== script) tried.setState(NONE);
    const timer = setTimeout(() => tried.setState(NONE), AT_MOST_MS);
    return () => clearTimeout(timer);
  }, [tried, trying, revision, words, script]);
  // It is asked for at once, not when the page has been drawn anew with what was moved.
  useEffect(() => {
    if (id === null) return;
    let working = false;
    let closed = false;
    let asked: Style | null = null;
    let askedAtUs = 0;
    const ask = async () => {
      if (working) return;
      working = true;
      // What was tried meanwhile is left out, but for the last.
      for (let wanted = wantedNow(); wanted && (asked !== wanted || isFar()) && !closed;) {
        asked = wanted;
        askedAtUs = usePlayhead.getState().programmeUs;
        const { seen, script: over } = now.current;
        const text = await api.triedScript(id, wanted, { ...seen, atUs: askedAtUs }).catch(() => null);
        wanted = wantedNow();
        const stands = wanted !== null || over === now.current.script;
        if (text !== null && stands && !closed) tried.setState({ text, over });
      }
      working = false;
    };
    const wantedNow = () => useTriedStyle.getState().style;
    const isFar = () => Math.abs(usePlayhead.getState().programmeUs - askedAtUs) > NEAR_US;
    void ask();
    const notTried = useTriedStyle.subscribe(() => {
      asked = null;
      void ask();
    });
    const notPlayed = usePlayhead.subscribe(() => wantedNow() && isFar() && void ask());
    return () => {
      closed = true;
      notTried();
      notPlayed();
      tried.setState(NONE);
    };
  }, [id, tried]);
  return tried;
}
