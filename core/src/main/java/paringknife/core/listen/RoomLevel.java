package paringknife.core.listen;

import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * How loud the room of a recording is where nobody speaks, and so below which level its pauses lie.
 * A usual threshold finds none in a room that is louder than it.
 */
public final class RoomLevel {
  private static final long SHORTEST_GAP_US = 400_000;
  private static final long AFTER_WORD_US = 150_000;
  private static final long BEFORE_WORD_US = 80_000;
  private static final double MOSTLY = 0.85;
  private static final double ABOVE_ROOM_DB = 2;
  private static final double BELOW_SPEECH_DB = 8;

  private RoomLevel() {}

  /**
   * The threshold below which this recording's pauses lie, dBFS; {@link LevelCurve#FLOOR_DB} where
   * its room is not heard between words, or is as loud as the voice.
   */
  public static double quietBelowDb(LevelCurve levels, Transcript transcript) {
    float[] between = new float[levels.windows()];
    float[] spoken = new float[levels.windows()];
    int gaps = 0;
    int words = 0;
    for (int i = 0; i < transcript.words().size(); i++) {
      Word word = transcript.words().get(i);
      words = take(levels, word.span(), spoken, words);
      long next =
          i + 1 < transcript.words().size()
              ? transcript.words().get(i + 1).startUs()
              : word.endUs();
      if (next - word.endUs() >= SHORTEST_GAP_US) {
        gaps =
            take(
                levels,
                new Span(word.endUs() + AFTER_WORD_US, next - BEFORE_WORD_US),
                between,
                gaps);
      }
    }
    if (gaps == 0) {
      return LevelCurve.FLOOR_DB;
    }
    double quiet =
        new LevelCurve(java.util.Arrays.copyOf(between, gaps)).percentile(MOSTLY) + ABOVE_ROOM_DB;
    double voice = new LevelCurve(java.util.Arrays.copyOf(spoken, words)).percentile(0.5);
    return quiet <= voice - BELOW_SPEECH_DB ? quiet : LevelCurve.FLOOR_DB;
  }

  private static int take(LevelCurve levels, Span span, float[] into, int count) {
    int taken = count;
    for (int i = (int) (span.startUs() / LevelCurve.WINDOW_US);
        i < Math.min(levels.windows(), span.endUs() / LevelCurve.WINDOW_US) && taken < into.length;
        i++) {
      into[taken++] = levels.dbfs()[i];
    }
    return taken;
  }
}
