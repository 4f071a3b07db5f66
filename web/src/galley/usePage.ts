import { useEffect, useMemo, useState } from 'react';
import type { ClipState, TranscriptColumns } from '../api/client';
import { lineHeightOf, useReading } from '../workbench/reading';
import { canvasMeasure, setPieces, type Row } from './setLines';

const EMS_A_LINE = 30.5;
const NARROWEST = 160;
const MOST_LETTERS = 300;

/** Of a text, letters of all its scripts: their fonts have to be there before lines are set. */
function otherLetters(text: readonly string[]): string {
  const seen = new Set<string>('Aa');
  for (const word of text) {
    for (const letter of word) if (letter > '\u04ff' && seen.size < MOST_LETTERS) seen.add(letter);
  }
  return [...seen].join('');
}

/** The lines of a transcript, or of a clip's pieces of it, set to the room there is. */
export function usePage(transcript: TranscriptColumns, clip: ClipState | null, room: number): Row[] {
  const textSize = useReading((s) => s.textSize);
  const [fontsReady, setFontsReady] = useState(false);
  const font = `${textSize}px "Source Serif 4", "Other scripts", "Other Han"`;
  const letters = useMemo(() => otherLetters(transcript.text), [transcript.text]);
  useEffect(() => {
    void document.fonts.load(font, letters).then(() => setFontsReady(true));
  }, [font, letters]);
  const shape = clip ? JSON.stringify(clip.pared.pieces) : '';
  const pieces = useMemo(
    () => (shape ? (JSON.parse(shape) as { from: number; to: number }[]) : [{ from: 0, to: transcript.text.length }]),
    [shape, transcript],
  );
  const gapWords = clip ? clip.pared.gaps.map((g) => g.word).join() : '';
  const measured = room > 0 && fontsReady;
  const column = Math.min(textSize * EMS_A_LINE, Math.max(NARROWEST, room));
  return useMemo(
    () =>
      measured
        ? setPieces(
            transcript,
            pieces,
            column,
            lineHeightOf(textSize),
            canvasMeasure(font),
            new Set(gapWords ? gapWords.split(',').map(Number) : []),
          )
        : [],
    [transcript, pieces, column, measured, textSize, font, gapWords],
  );
}
