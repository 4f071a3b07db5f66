package paringknife.core.listen;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * Finds the sound of the room: stretches between words that are quiet and even, with no bump in
 * them. The nearest of the quietest is taken, so that the tone is that of the speaker and the
 * moment.
 */
public final class RoomToneFinder {
  static final long LONGEST_US = 1_500_000;
  private static final long PART_US = 2_500_000;
  private static final long SHORTEST_US = 180_000;
  private static final long AFTER_WORD_US = 70_000;
  private static final long BEFORE_WORD_US = 40_000;
  private static final double MOST_UNEVEN_DB = 12;
  private static final float DIGITAL_SILENCE_DB = -95;
  private static final double DB_PER_SECOND_AWAY = 0.2;
  private static final double SHORT_DB = 4;
  private static final long SHORT_US = 400_000;
  private static final long AROUND_US = 5_000_000;

  private final LevelCurve levels;
  private final List<RoomTone> tones = new ArrayList<>();

  public RoomToneFinder(LevelCurve levels, Transcript transcript) {
    this.levels = levels;
    long from = 0;
    for (int i = 0; i <= transcript.words().size(); i++) {
      boolean end = i == transcript.words().size();
      long to = end ? levels.durationUs() : transcript.words().get(i).startUs() - BEFORE_WORD_US;
      for (long at = from; at < Math.min(to, levels.durationUs()); at += PART_US) {
        quietest(at, Math.min(at + PART_US, Math.min(to, levels.durationUs())));
      }
      from = end ? from : Math.max(from, transcript.words().get(i).endUs() + AFTER_WORD_US);
    }
    if (tones.stream().anyMatch(t -> t.levelDb() > DIGITAL_SILENCE_DB)) {
      tones.removeIf(t -> t.levelDb() <= DIGITAL_SILENCE_DB);
    }
  }

  /** Keeps the quietest even part of a stretch without words. */
  private void quietest(long fromUs, long toUs) {
    if (toUs - fromUs < SHORTEST_US) {
      return;
    }
    int first = (int) ((fromUs + LevelCurve.WINDOW_US - 1) / LevelCurve.WINDOW_US);
    int end = (int) (toUs / LevelCurve.WINDOW_US);
    int width = (int) Math.min(end - first, LONGEST_US / LevelCurve.WINDOW_US);
    double least = Double.MAX_VALUE;
    int best = -1;
    double mean = 0;
    int step = Math.max(1, width / 8);
    for (int at = first; at + width <= end; at += step) {
      double sum = 0;
      double highest = LevelCurve.FLOOR_DB;
      for (int i = at; i < at + width; i++) {
        sum += levels.dbfs()[i];
        highest = Math.max(highest, levels.dbfs()[i]);
      }
      double level = sum / width;
      if (highest - level <= MOST_UNEVEN_DB && level < least) {
        least = level;
        best = at;
        mean = level;
      }
    }
    if (best >= 0) {
      tones.add(
          new RoomTone(
              new Span(best * LevelCurve.WINDOW_US, (best + width) * LevelCurve.WINDOW_US), mean));
    }
  }

  /** The tone that suits a moment best; empty where the recording has no quiet stretch at all. */
  public Optional<RoomTone> near(long us) {
    RoomTone best = null;
    double least = Double.MAX_VALUE;
    for (RoomTone tone : tones) {
      double cost =
          tone.levelDb()
              + away(tone, us) / 1e6 * DB_PER_SECOND_AWAY
              + (tone.span().lengthUs() < SHORT_US ? SHORT_DB : 0);
      if (cost < least) {
        least = cost;
        best = tone;
      }
    }
    return Optional.ofNullable(best);
  }

  /**
   * The quietest tone in the few seconds before a moment, which tells how noisy the room is there.
   */
  public Optional<RoomTone> before(long us) {
    return quietestBetween(us - AROUND_US, us);
  }

  /** The quietest tone in the few seconds after a moment. */
  public Optional<RoomTone> after(long us) {
    return quietestBetween(us, us + AROUND_US);
  }

  private Optional<RoomTone> quietestBetween(long fromUs, long toUs) {
    RoomTone best = null;
    for (int i = firstEndingAfter(fromUs);
        i < tones.size() && tones.get(i).span().startUs() < toUs;
        i++) {
      if (best == null || tones.get(i).levelDb() < best.levelDb()) {
        best = tones.get(i);
      }
    }
    return Optional.ofNullable(best);
  }

  private int firstEndingAfter(long us) {
    int low = 0;
    int high = tones.size();
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (tones.get(middle).span().endUs() > us) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    return low;
  }

  private static long away(RoomTone tone, long us) {
    return Math.max(0, Math.max(tone.span().startUs() - us, us - tone.span().endUs()));
  }
}
