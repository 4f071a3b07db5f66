package paringknife.core.formats;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import paringknife.core.transcript.Paragraphs;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Syllables;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.core.writing.WordsOfText;

/**
 * Plain verbatim text: a paragraph a line or between blank lines, a speaker named by {@code Name:}
 * at its start. It carries no times; until it is timed against the sound its words share the whole
 * length by their syllables.
 */
public final class PlainText {
  /** Somebody wrote it down, but nobody has looked at it here. */
  private static final double IMPORTED = 0.95;

  private PlainText() {}

  /**
   * Reads a text.
   *
   * @param durationUs length of the recording
   * @throws IllegalArgumentException when there is no word in it
   */
  public static Transcript read(String text, long durationUs) {
    List<String> speakers = new ArrayList<>();
    List<String> tokens = new ArrayList<>();
    List<Integer> said = new ArrayList<>();
    Map<Long, Boolean> paragraphs = new HashMap<>();
    int speaker = -1;
    for (String line : text.replace("\uFEFF", "").split("\\R")) {
      SpokenLine spoken = SpokenLine.of(line);
      speaker = spoken.speakerAmong(speakers, speaker);
      boolean first = true;
      for (String token : WordsOfText.of(spoken.text())) {
        if (first && !tokens.isEmpty()) {
          paragraphs.put((long) tokens.size(), true);
        }
        first = false;
        tokens.add(token);
        said.add(speaker);
      }
    }
    if (tokens.isEmpty()) {
      throw new IllegalArgumentException("there is no word in it");
    }
    return new Transcript("en", speakers, shared(tokens, said, durationUs), paragraphs);
  }

  /** The same text with its words spread over another length. */
  public static Transcript spread(Transcript untimed, long durationUs) {
    List<Word> words = untimed.words();
    return untimed.withWords(
        shared(
            words.stream().map(Word::text).toList(),
            words.stream().map(Word::speaker).toList(),
            durationUs));
  }

  private static List<Word> shared(List<String> tokens, List<Integer> said, long durationUs) {
    long all = tokens.stream().mapToLong(Syllables::of).sum();
    List<Word> words = new ArrayList<>();
    long passed = 0;
    for (int i = 0; i < tokens.size(); i++) {
      long start = durationUs * passed / all;
      passed += Syllables.of(tokens.get(i));
      words.add(
          new Word(i, tokens.get(i), start, durationUs * passed / all, said.get(i), IMPORTED));
    }
    return words;
  }

  /** A paragraph a line; the speaker's name where it changes, the time where asked for. */
  public static String write(Transcript transcript, boolean speakers, boolean times) {
    StringBuilder text = new StringBuilder();
    int last = -2;
    for (Passage paragraph : Paragraphs.of(transcript)) {
      text.append(text.isEmpty() ? "" : "\n\n");
      if (times) {
        text.append('[')
            .append(ClockText.of(transcript.words().get(paragraph.from()).startUs(), '.'), 0, 8)
            .append("] ");
      }
      String name = transcript.speakerName(paragraph.speaker());
      if (speakers && paragraph.speaker() != last && !name.isEmpty()) {
        text.append(name).append(": ");
      }
      last = paragraph.speaker();
      text.append(transcript.text(paragraph.from(), paragraph.to()));
    }
    return text.append('\n').toString();
  }
}
