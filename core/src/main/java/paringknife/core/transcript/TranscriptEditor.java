package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import paringknife.core.time.Span;
import paringknife.core.writing.WordsOfText;

/**
 * Corrections of a transcript. Each answers the corrected one; the times of what did not change
 * stay, and no clip moves, since clips refer to times.
 */
public final class TranscriptEditor {
  private final Transcript transcript;

  public TranscriptEditor(Transcript transcript) {
    this.transcript = transcript;
  }

  /**
   * Replaces words {@code first} to {@code last} (indexes, both included) by a text. Words that are
   * in both keep their times and identities; what changed shares the time between by its syllables.
   *
   * @throws IllegalArgumentException when the text is blank
   */
  public Transcript replace(int first, int last, String text) {
    List<String> tokens = tokens(text);
    if (tokens.isEmpty()) {
      throw new IllegalArgumentException("A word cannot be corrected to nothing; pare it instead.");
    }
    List<Word> old = transcript.words().subList(first, last + 1);
    int[] match =
        TokenAlignment.match(
            tokens.stream().map(TranscriptEditor::bare).toList(),
            old.stream().map(Word::bare).toList());
    List<Word> replaced = new ArrayList<>();
    long nextId = transcript.nextWordId();
    for (int i = 0; i < tokens.size(); ) {
      if (match[i] >= 0) {
        replaced.add(old.get(match[i]).withText(tokens.get(i)));
        i++;
        continue;
      }
      int end = i;
      while (end < tokens.size() && match[end] < 0) {
        end++;
      }
      int oldFrom = i == 0 ? 0 : match[i - 1] + 1;
      int oldTo = end == tokens.size() ? old.size() : match[end];
      nextId = share(tokens.subList(i, end), old, oldFrom, oldTo, nextId, replaced);
      i = end;
    }
    return with(first, last, replaced);
  }

  /** New words in the place of old ones {@code oldFrom} to {@code oldTo} (not included). */
  private static long share(
      List<String> tokens, List<Word> old, int oldFrom, int oldTo, long nextId, List<Word> into) {
    boolean none = oldFrom >= oldTo;
    Word before = oldFrom > 0 ? old.get(oldFrom - 1) : old.get(0);
    long start =
        none ? (oldFrom > 0 ? before.endUs() : old.get(0).startUs()) : old.get(oldFrom).startUs();
    long end =
        none
            ? (oldTo < old.size() ? Math.max(start, old.get(oldTo).startUs()) : start)
            : old.get(oldTo - 1).endUs();
    int speaker = none ? before.speaker() : old.get(oldFrom).speaker();
    if (tokens.size() == oldTo - oldFrom) {
      for (int i = 0; i < tokens.size(); i++) {
        into.add(old.get(oldFrom + i).withText(tokens.get(i)));
      }
      return nextId;
    }
    long syllables = tokens.stream().mapToLong(Syllables::of).sum();
    long passed = 0;
    long at = start;
    for (int i = 0; i < tokens.size(); i++) {
      passed += Syllables.of(tokens.get(i));
      long to = start + (end - start) * passed / syllables;
      long id = !none && i == 0 ? old.get(oldFrom).id() : nextId++;
      into.add(new Word(id, tokens.get(i), at, to, speaker, 1));
      at = to;
    }
    return nextId;
  }

  private static List<String> tokens(String text) {
    return WordsOfText.of(text);
  }

  private static String bare(String token) {
    return new Word(0, token, 0, 0, -1, 1).bare();
  }

  private Transcript with(int first, int last, List<Word> replaced) {
    List<Word> words = new ArrayList<>(transcript.words().subList(0, first));
    words.addAll(replaced);
    words.addAll(transcript.words().subList(last + 1, transcript.words().size()));
    return transcript.withWords(words);
  }

  /** Replaces every occurrence of a phrase, but for those whose first word is in {@code except}. */
  public Transcript replaceAll(String phrase, String text, java.util.Set<Long> except) {
    List<TranscriptSearch.Hit> hits = TranscriptSearch.findWhole(transcript, phrase);
    Transcript changed = transcript;
    for (int i = hits.size() - 1; i >= 0; i--) {
      TranscriptSearch.Hit hit = hits.get(i);
      Word firstWord = transcript.words().get(hit.from());
      Word lastWord = transcript.words().get(hit.to() - 1);
      if (!except.contains(firstWord.id())) {
        changed =
            new TranscriptEditor(changed)
                .replace(
                    hit.from(), hit.to() - 1, likeBefore(text, firstWord.text(), lastWord.text()));
      }
    }
    return changed;
  }

  /** Keeps a capital at the start and the punctuation at the end, where the new text has none. */
  private static String likeBefore(String text, String first, String last) {
    String like = text.strip();
    if (!first.isEmpty() && Character.isUpperCase(first.charAt(0)) && !like.isEmpty()) {
      like = like.substring(0, 1).toUpperCase(Locale.ROOT) + like.substring(1);
    }
    String end = last.replaceAll("^.*?([.,;:?!\u2026]*)$", "$1");
    return like.matches(".*[.,;:?!\u2026]$") ? like : like + end;
  }

  /** Makes words {@code first} to {@code last} one word. */
  public Transcript join(int first, int last) {
    List<Word> old = transcript.words().subList(first, last + 1);
    String text = String.join("", old.stream().map(Word::text).toList());
    Word whole =
        new Word(
            old.get(0).id(),
            text,
            old.get(0).startUs(),
            old.get(old.size() - 1).endUs(),
            old.get(0).speaker(),
            1);
    return with(first, last, List.of(whole));
  }

  /**
   * Words typed while listening, put where they were said; they share the span by their syllables.
   *
   * @param heard from the place where typing began to the place where it ended
   * @param speaker index of who says it; -1 for nobody known
   */
  public Transcript typeIn(String text, Span heard, int speaker) {
    List<String> tokens = tokens(text);
    if (tokens.isEmpty()) {
      throw new IllegalArgumentException("There is no word in it.");
    }
    List<Word> words = new ArrayList<>(transcript.words());
    int at = 0;
    while (at < words.size() && words.get(at).startUs() < heard.startUs()) {
      at++;
    }
    long end =
        at < words.size()
            ? Math.max(heard.startUs(), Math.min(heard.endUs(), words.get(at).startUs()))
            : heard.endUs();
    long syllables = tokens.stream().mapToLong(Syllables::of).sum();
    long passed = 0;
    long start = heard.startUs();
    long nextId = transcript.nextWordId();
    Map<Long, Boolean> choices = new HashMap<>(transcript.paragraphChoices());
    choices.put(nextId, true);
    for (String token : tokens) {
      passed += Syllables.of(token);
      long to = heard.startUs() + (end - heard.startUs()) * passed / syllables;
      words.add(at++, new Word(nextId++, token, start, to, speaker, 1));
      start = to;
    }
    return new Transcript(transcript.language(), transcript.speakers(), words, choices);
  }

  /** Gives words to a speaker; -1 for nobody known. */
  public Transcript reassign(int first, int last, int speaker) {
    if (speaker < -1 || speaker >= transcript.speakers().size()) {
      throw new IllegalArgumentException("There is no such speaker.");
    }
    List<Word> words = new ArrayList<>(transcript.words());
    for (int i = first; i <= last; i++) {
      words.set(i, words.get(i).withSpeaker(speaker));
    }
    return transcript.withWords(words);
  }

  /** Adds a speaker; the new one has the highest index. */
  public Transcript addSpeaker(String name) {
    List<String> speakers = new ArrayList<>(transcript.speakers());
    speakers.add(cleanName(name));
    return transcript.withSpeakers(speakers);
  }

  /** Gives all words of nobody known to a speaker of a name, known or new. */
  public Transcript nameUnknown(String name) {
    String clean = cleanName(name);
    Transcript known = transcript.speakers().contains(clean) ? transcript : addSpeaker(clean);
    int speaker = known.speakers().indexOf(clean);
    return known.withWords(
        known.words().stream().map(w -> w.speaker() < 0 ? w.withSpeaker(speaker) : w).toList());
  }

  /** Names a speaker. A name that another one has makes the two one. */
  public Transcript nameSpeaker(int speaker, String name) {
    String clean = cleanName(name);
    int same = transcript.speakers().indexOf(clean);
    if (same >= 0 && same != speaker) {
      return mergeSpeakers(speaker, same);
    }
    List<String> speakers = new ArrayList<>(transcript.speakers());
    speakers.set(speaker, clean);
    return transcript.withSpeakers(speakers);
  }

  private static String cleanName(String name) {
    String clean = name.strip().replaceAll("\\s+", " ");
    if (clean.isEmpty()) {
      throw new IllegalArgumentException("A speaker needs a name.");
    }
    return clean.substring(0, Math.min(80, clean.length()));
  }

  /** Gives all that one speaker says to another; the emptied one is left out. */
  Transcript mergeSpeakers(int from, int into) {
    List<String> speakers = new ArrayList<>(transcript.speakers());
    speakers.remove(from);
    List<Word> words = new ArrayList<>();
    for (Word word : transcript.words()) {
      int owner = word.speaker() == from ? into : word.speaker();
      words.add(word.withSpeaker(owner > from ? owner - 1 : owner));
    }
    return transcript.withWords(words).withSpeakers(speakers);
  }

  /** Starts a paragraph at a word, or runs it on from the one before. */
  public Transcript paragraphAt(int word, boolean starts) {
    Map<Long, Boolean> choices = new HashMap<>(transcript.paragraphChoices());
    choices.put(transcript.words().get(word).id(), starts);
    return new Transcript(
        transcript.language(), transcript.speakers(), transcript.words(), choices);
  }

  private static final List<String> MARKS = List.of("", ",", ".", "?", "!");

  /**
   * The next mark after a word: none, comma, full stop, question, exclamation. The next capital
   * follows.
   */
  public Transcript cyclePunctuation(int word) {
    Word old = transcript.words().get(word);
    String body = old.text().replaceAll("[.,;:?!\u2026]+$", "");
    String mark = old.text().substring(body.length());
    String next = MARKS.get((MARKS.indexOf(MARKS.contains(mark) ? mark : "") + 1) % MARKS.size());
    List<Word> words = new ArrayList<>(transcript.words());
    Word marked = old.withText(body + next);
    words.set(word, marked);
    if (word + 1 < words.size()) {
      Word after = words.get(word + 1);
      if (marked.endsSentence()) {
        words.set(word + 1, after.withText(capital(after.text(), true)));
      } else if (old.endsSentence()
          && !after.bare().equals("i")
          && !after.bare().startsWith("i'")) {
        words.set(word + 1, after.withText(capital(after.text(), false)));
      }
    }
    return transcript.withWords(words);
  }

  /** Changes a word's first letter from small to capital and back. */
  public Transcript cycleCapital(int word) {
    Word old = transcript.words().get(word);
    boolean isCapital =
        old.text().codePoints().filter(Character::isLetter).findFirst().stream()
            .anyMatch(Character::isUpperCase);
    List<Word> words = new ArrayList<>(transcript.words());
    words.set(word, old.withText(capital(old.text(), !isCapital)));
    return transcript.withWords(words);
  }

  /** A text whose first letter is a capital, or is not. */
  static String capital(String text, boolean is) {
    for (int i = 0; i < text.length(); i++) {
      if (Character.isLetter(text.charAt(i))) {
        char letter =
            is ? Character.toUpperCase(text.charAt(i)) : Character.toLowerCase(text.charAt(i));
        return text.substring(0, i) + letter + text.substring(i + 1);
      }
    }
    return text;
  }

  /** Accepts a word as it stands. */
  public Transcript accept(int word) {
    List<Word> words = new ArrayList<>(transcript.words());
    words.set(word, words.get(word).withText(words.get(word).text()));
    return transcript.withWords(words);
  }
}
