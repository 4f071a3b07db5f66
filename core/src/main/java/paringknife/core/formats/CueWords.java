package paringknife.core.formats;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.transcript.Syllables;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.core.writing.WordsOfText;

/**
 * Makes a transcript of cues that carry only cue times: each cue's time is shared among its words
 * by their syllables. A line that opens with {@code Name:} names the speaker.
 */
public final class CueWords {
  /** Somebody wrote it down, but nobody has looked at it here. */
  private static final double IMPORTED = 0.95;

  private CueWords() {}

  public static Transcript transcript(List<TimedText> cues, String language) {
    List<String> speakers = new ArrayList<>();
    List<Word> words = new ArrayList<>();
    int speaker = -1;
    for (TimedText cue : cues) {
      List<String> tokens = new ArrayList<>();
      List<Integer> by = new ArrayList<>();
      for (String line : cue.text().split("\n")) {
        SpokenLine said = SpokenLine.of(line);
        speaker = said.speakerAmong(speakers, speaker);
        for (String token : WordsOfText.of(said.text())) {
          tokens.add(token);
          by.add(speaker);
        }
      }
      share(cue, tokens, by, words);
    }
    return new Transcript(language, speakers, words);
  }

  private static void share(
      TimedText cue, List<String> tokens, List<Integer> speakers, List<Word> words) {
    long total = tokens.stream().mapToLong(Syllables::of).sum();
    long passed = 0;
    long start = cue.span().startUs();
    for (int i = 0; i < tokens.size(); i++) {
      passed += Syllables.of(tokens.get(i));
      long end = cue.span().startUs() + cue.span().lengthUs() * passed / Math.max(1, total);
      words.add(new Word(words.size(), tokens.get(i), start, end, speakers.get(i), IMPORTED));
      start = end;
    }
  }
}
