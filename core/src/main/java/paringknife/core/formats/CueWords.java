package paringknife.core.formats;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.transcript.Syllables;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Makes a transcript of cues that carry only cue times: each cue's time is shared among its words
 * by their syllables. A line that opens with {@code Name:} names the speaker.
 */
public final class CueWords {
  private static final java.util.regex.Pattern SPEAKER =
      java.util.regex.Pattern.compile("^(?:-\\s*)?([\\p{Lu}][\\p{L} .'-]{0,30}):\\s+(.*)$");

  /** Somebody wrote it down, but nobody has looked at it here. */
  private static final double IMPORTED = 0.95;

  private CueWords() {}

  public static Transcript transcript(List<TimedText> cues, String language) {
    List<String> speakers = new ArrayList<>();
    List<Word> words = new ArrayList<>();
    int speaker = -1;
    for (TimedText cue : cues) {
      List<String> tokens = new ArrayList<>();
      List<Integer> said = new ArrayList<>();
      for (String line : cue.text().split("\n")) {
        java.util.regex.Matcher named = SPEAKER.matcher(line);
        String rest = line;
        if (named.matches()) {
          String name = named.group(1).trim();
          if (!speakers.contains(name)) {
            speakers.add(name);
          }
          speaker = speakers.indexOf(name);
          rest = named.group(2);
        }
        for (String token : rest.trim().split("\\s+")) {
          if (!token.isEmpty()) {
            tokens.add(token);
            said.add(speaker);
          }
        }
      }
      share(cue, tokens, said, words);
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
