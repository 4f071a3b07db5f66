const unspaced =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Bopomofo}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}\u30fc]/u;
const ideographic = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Bopomofo}\u30fc]/u;
const fullWidthMark = /[\u3000-\u303f\uff01-\uff0f\uff1a-\uff20\uff3b-\uff40\uff5b-\uff65]/;

/** Whether a blank stands between two words: Chinese, Japanese, Thai, Lao, Khmer and Burmese have none. */
export function isSpaced(before: string, after: string): boolean {
  const last = before.slice(-1);
  const first = after.slice(0, 1);
  // Most scripts lie below, and are asked most.
  if (last < '\u0e00' && first < '\u0e00') return true;
  if (fullWidthMark.test(last) || fullWidthMark.test(first)) return false;
  if (unspaced.test(last) && unspaced.test(first)) return false;
  const measured = (ideographic.test(last) && /\d/.test(first)) || (/\d/.test(last) && ideographic.test(first));
  return !measured;
}

/** Words as a text. */
export function joined(words: readonly string[]): string {
  return words.reduce(
    (text, word, i) => (i === 0 || !isSpaced(words[i - 1], word) ? text + word : `${text} ${word}`),
    '',
  );
}
