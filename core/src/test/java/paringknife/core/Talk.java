package paringknife.core;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.listen.LevelCurve;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/** Builds small transcripts with matching level curves for tests. */
public final class Talk {
  private final List<String> speakers = new ArrayList<>();
  private final List<Word> words = new ArrayList<>();
  private long at = 500_000;
  private int speaker;

  public Talk speaker(String name) {
    if (!speakers.contains(name)) {
      speakers.add(name);
    }
    speaker = speakers.indexOf(name);
    return this;
  }

  /** Says words of 300 ms with 60 ms between them. */
  public Talk say(String text) {
    for (String token : text.split(" ")) {
      words.add(new Word(words.size(), token, at, at + 300_000, speaker, 1));
      at += 360_000;
    }
    return this;
  }

  public Talk pause(double seconds) {
    at += Math.round(seconds * 1e6);
    return this;
  }

  public Transcript transcript() {
    return new Transcript("en", speakers, words);
  }

  /** Speech at -15 dBFS where there are words, a room at -60 elsewhere. */
  public LevelCurve levels() {
    float[] dbfs = new float[(int) ((at + 500_000) / LevelCurve.WINDOW_US)];
    java.util.Arrays.fill(dbfs, -60);
    for (Word word : words) {
      java.util.Arrays.fill(
          dbfs,
          (int) (word.startUs() / LevelCurve.WINDOW_US),
          (int) (word.endUs() / LevelCurve.WINDOW_US),
          -15);
    }
    return new LevelCurve(dbfs);
  }

  public Pared clip() {
    return Pared.of(List.of(new Span(0, at)));
  }
}
