package paringknife.core.frame.people;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import paringknife.core.time.Span;

/**
 * Who of those in a picture talks while something is said of which nobody knows the speaker: the
 * one whose mouth moves more than the others', each measured by how much it moves while they talk.
 * Of all ways to hand on the word the likeliest is taken (Viterbi 1967), where to hand it on costs
 * as much as {@value #HANDING_ON} seconds of the wrong mouth, and half of it after a pause.
 */
public final class TalkingMouths {
  private static final double HANDING_ON = 0.4;
  private static final long PAUSE_US = 300_000;

  /** Mouths are looked at from so long before until so long after what is said. */
  private static final long AROUND_US = 300_000;

  /** How much a mouth moves while it talks: what it goes beyond in so much of the time. */
  private static final double TALKING = 0.2;

  /** Whose mouth moves less than this share of the liveliest is measured by that. */
  private static final double QUIETEST = 0.4;

  private final List<List<Person>> views;
  private final List<double[]> talking = new ArrayList<>();

  private TalkingMouths(List<List<Person>> views) {
    this.views = views;
    for (List<Person> view : views) {
      double[] moved = view.stream().mapToDouble(TalkingMouths::whileTalking).toArray();
      double liveliest = Arrays.stream(moved).max().orElse(0);
      talking.add(Arrays.stream(moved).map(m -> Math.max(m, QUIETEST * liveliest)).toArray());
    }
  }

  /** Seen by one camera. */
  public static TalkingMouths seenBy(List<Person> camera) {
    return new TalkingMouths(List.of(camera));
  }

  /** Seen by all cameras; a mouth moves as much as it does where it is seen to move most. */
  public static TalkingMouths of(People people) {
    return new TalkingMouths(IntStream.range(0, people.cameras()).mapToObj(people::on).toList());
  }

  private static double whileTalking(Person person) {
    double[] motions =
        person.sightings().stream().mapToDouble(s -> s.face().mouthMotion()).sorted().toArray();
    return motions.length == 0 ? 0 : motions[(int) ((1 - TALKING) * (motions.length - 1))];
  }

  /**
   * Who says each of some things that are said one after the other within a shot.
   *
   * @return index of the person; -1 for all where nobody is seen in the shot
   */
  public int[] during(List<Span> said, Span shot) {
    int[] here =
        IntStream.range(0, views.isEmpty() ? 0 : views.get(0).size())
            .filter(p -> views.stream().anyMatch(v -> !v.get(p).seenIn(shot).isEmpty()))
            .toArray();
    int[] who = new int[said.size()];
    if (here.length < 2) {
      Arrays.fill(who, here.length == 0 ? -1 : here[0]);
      return who;
    }
    double[] least = new double[here.length];
    List<int[]> from = new ArrayList<>();
    for (int s = 0; s < said.size(); s++) {
      boolean pause = s > 0 && said.get(s).startUs() - said.get(s - 1).endUs() >= PAUSE_US;
      int[] before = new int[here.length];
      double[] now = new double[here.length];
      double[] wrong = wrong(said.get(s), shot, here);
      int best = leastOf(least);
      double handedOn = least[best] + (pause ? HANDING_ON / 2 : HANDING_ON);
      for (int h = 0; h < here.length; h++) {
        before[h] = least[h] <= handedOn ? h : best;
        now[h] = Math.min(least[h], handedOn) + wrong[h];
      }
      from.add(before);
      least = now;
    }
    int last = leastOf(least);
    for (int s = said.size() - 1; s >= 0; s--) {
      who[s] = here[last];
      last = from.get(s)[last];
    }
    return who;
  }

  private static int leastOf(double[] values) {
    int least = 0;
    for (int i = 1; i < values.length; i++) {
      if (values[i] < values[least]) {
        least = i;
      }
    }
    return least;
  }

  /** How many seconds of the wrong mouth it would be, were it each of them who says something. */
  private double[] wrong(Span said, Span shot, int[] here) {
    Span around =
        new Span(
            Math.max(shot.startUs(), said.startUs() - AROUND_US),
            Math.min(shot.endUs(), said.endUs() + AROUND_US));
    double[] motion = Arrays.stream(here).mapToDouble(p -> motion(p, around)).toArray();
    double sum = Arrays.stream(motion).sum();
    double most = Arrays.stream(motion).max().orElse(0);
    double seconds = said.lengthUs() / 1e6;
    return Arrays.stream(motion)
        .map(m -> sum == 0 ? 0 : seconds * (most - m) / Math.max(1, sum))
        .toArray();
  }

  /** How much a mouth moves during a stretch, as a share of how much it does while it talks. */
  private double motion(int person, Span stretch) {
    double most = 0;
    for (int v = 0; v < views.size(); v++) {
      double talks = talking.get(v)[person];
      double moved =
          views.get(v).get(person).seenIn(stretch).stream()
              .mapToDouble(s -> Math.min(talks, s.face().mouthMotion()))
              .average()
              .orElse(0);
      most = Math.max(most, talks == 0 ? 0 : moved / talks);
    }
    return most;
  }
}
