package paringknife.core.listen;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Lines a recording up with another one of the same event by what both heard. At several places the
 * level curves are cross-correlated, which finds the place to a window of 10 ms whatever the gains;
 * then the samples around it, which finds it to a fraction of a millisecond. A straight line
 * through the places that agree gives offset and drift (median of slopes, Theil 1950 and Sen 1968).
 */
public final class LineUp {
  private static final int PLACES = 9;
  private static final int WINDOWS_A_PLACE = 6_000;
  private static final int FINE_SAMPLES = 10 * SoundExcerpt.SAMPLE_RATE;
  private static final int FINE_REACH = SoundExcerpt.SAMPLE_RATE / 8;
  private static final double WHITENING = 0.7;
  private static final double AGREE_US = 15_000;
  private static final double PLAIN_PROMINENCE = 6;

  private final LevelCurve reference;
  private final SoundExcerpt referenceSound;
  private final CrossCorrelation coarse;

  private record Place(double atUs, double offsetUs) {}

  /** Prepares the recording whose clock is the episode's. */
  public LineUp(LevelCurve reference, SoundExcerpt referenceSound) {
    this.reference = reference;
    this.referenceSound = referenceSound;
    this.coarse = new CrossCorrelation(changes(reference, 0, reference.windows()), WINDOWS_A_PLACE);
  }

  /** Where another recording lies; empty when the two have nothing in common. */
  public Optional<Placement> place(LevelCurve other, SoundExcerpt sound) {
    List<Place> places = new ArrayList<>();
    int tried = 0;
    for (int from : starts(other)) {
      int length = Math.min(WINDOWS_A_PLACE, other.windows() - from);
      tried++;
      CrossCorrelation.Match rough =
          coarse.find(changes(other, from, length), 1 - length, reference.windows(), 0);
      if (rough.prominence() >= PLAIN_PROMINENCE) {
        places.addAll(refined(other, sound, from, length, rough.lag()));
      }
    }
    List<Place> agreeing = largestAgreement(places);
    if (agreeing.isEmpty() || agreeing.size() * 2 < tried) {
      return Optional.empty();
    }
    double drift = slope(agreeing);
    double offset = median(agreeing.stream().map(p -> p.offsetUs() - drift * p.atUs()).toList());
    return Optional.of(
        new Placement(
            Math.round(offset), drift * 1e6, Math.min(1, agreeing.size() / (double) tried)));
  }

  private static List<Integer> starts(LevelCurve other) {
    int room = other.windows() - WINDOWS_A_PLACE;
    if (room <= 0) {
      return List.of(0);
    }
    int places = Math.min(PLACES, 2 + room / WINDOWS_A_PLACE);
    List<Integer> starts = new ArrayList<>();
    for (int i = 0; i < places; i++) {
      starts.add((int) Math.round(room * (double) i / (places - 1)));
    }
    return starts;
  }

  /** How the level changes: gains and slow changes do not count, nor does what is inaudible. */
  private static float[] changes(LevelCurve curve, int from, int length) {
    float[] levels = new float[length];
    float floor = Math.max(-60f, curve.percentile(0.2));
    for (int i = 0; i < length; i++) {
      levels[i] = Math.max(floor, curve.dbfs()[from + i]);
    }
    float[] changes = new float[length];
    double slow = length == 0 ? 0 : levels[0];
    for (int i = 0; i < length; i++) {
      slow += 0.02 * (levels[i] - slow);
      changes[i] = (float) (levels[i] - slow);
    }
    return changes;
  }

  /** The places of the loudest stretches of a part, to a fraction of a sample. */
  private List<Place> refined(
      LevelCurve other, SoundExcerpt sound, int from, int length, double lag) {
    long partUs = from * LevelCurve.WINDOW_US;
    long roughUs = Math.round((lag - from) * LevelCurve.WINDOW_US);
    long atUs = Math.max(partUs, loudest(other, from, length));
    float[] mine = sound.read(atUs, FINE_SAMPLES);
    long reachUs = FINE_REACH * 1_000_000L / SoundExcerpt.SAMPLE_RATE;
    float[] theirs = referenceSound.read(atUs + roughUs - reachUs, FINE_SAMPLES + 2 * FINE_REACH);
    CrossCorrelation.Match fine =
        new CrossCorrelation(theirs, mine.length).find(mine, 0, 2 * FINE_REACH, WHITENING);
    if (fine.prominence() < PLAIN_PROMINENCE) {
      return List.of();
    }
    double exact = roughUs + (fine.lag() - FINE_REACH) * 1e6 / SoundExcerpt.SAMPLE_RATE;
    return List.of(new Place(atUs + FINE_SAMPLES * 5e5 / SoundExcerpt.SAMPLE_RATE, exact));
  }

  private static long loudest(LevelCurve curve, int from, int length) {
    int windows =
        (int) (FINE_SAMPLES * 1_000_000L / SoundExcerpt.SAMPLE_RATE / LevelCurve.WINDOW_US);
    int best = from;
    double most = Double.NEGATIVE_INFINITY;
    for (int start = from; start + windows <= from + length; start += 50) {
      double sum = 0;
      for (int i = start; i < start + windows; i++) {
        sum += Math.max(-60, curve.dbfs()[i]);
      }
      if (sum > most) {
        most = sum;
        best = start;
      }
    }
    return best * LevelCurve.WINDOW_US;
  }

  /** The most places that lie on one line of a plausible slope (clocks differ by 0.1 % at most). */
  private static List<Place> largestAgreement(List<Place> places) {
    List<Place> largest = List.of();
    for (Place a : places) {
      for (Place b : places) {
        double slope = a == b ? 0 : (b.offsetUs() - a.offsetUs()) / (b.atUs() - a.atUs());
        if (a.atUs() == b.atUs() && a != b || Math.abs(slope) > 1e-3) {
          continue;
        }
        List<Place> on =
            places.stream()
                .filter(
                    p ->
                        Math.abs(p.offsetUs() - a.offsetUs() - slope * (p.atUs() - a.atUs()))
                            < AGREE_US)
                .toList();
        largest = on.size() > largest.size() ? on : largest;
      }
    }
    return largest;
  }

  private static double slope(List<Place> places) {
    List<Double> slopes = new ArrayList<>();
    for (int i = 0; i < places.size(); i++) {
      for (int j = i + 1; j < places.size(); j++) {
        double run = places.get(j).atUs() - places.get(i).atUs();
        if (Math.abs(run) > 20_000_000) {
          slopes.add((places.get(j).offsetUs() - places.get(i).offsetUs()) / run);
        }
      }
    }
    return slopes.isEmpty() ? 0 : median(slopes);
  }

  private static double median(List<Double> values) {
    List<Double> sorted = values.stream().sorted(Comparator.naturalOrder()).toList();
    int middle = sorted.size() / 2;
    return sorted.size() % 2 == 1
        ? sorted.get(middle)
        : (sorted.get(middle - 1) + sorted.get(middle)) / 2;
  }
}
