package paringknife.core.pare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.Removal;
import paringknife.core.listen.RoomTone;
import paringknife.core.listen.RoomToneFinder;
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.Span;

/**
 * Lays out what a clip sounds like: kept spans, room tone in gaps and in place of what was
 * silenced, and room tone under the quieter side of a join over which the noise of the room would
 * jump.
 */
public final class SoundPlanner {
  /** A jump of the noise floor that nobody notices, dB; one of 3 dB is the most allowed. */
  private static final double UNNOTICED_DB = 2;

  private static final long GLIDE_US = 1_500_000;
  private static final long LEAST_US = 5_000;

  private final RoomToneFinder tones;

  public SoundPlanner(RoomToneFinder tones) {
    this.tones = tones;
  }

  /** The sound of a clip. */
  public SoundPlan plan(Pared clip, CutList cuts) {
    List<Span> silenced =
        clip.removals().stream().filter(r -> r.means().silences()).map(Removal::span).toList();
    List<SoundPlan.Segment> segments = new ArrayList<>();
    List<SoundPlan.Bed> beds = new ArrayList<>();
    int gap = 0;
    long playedUs = 0;
    for (int i = -1; i < cuts.kept().size(); i++) {
      if (i >= 0) {
        Span span = cuts.kept().get(i);
        if (i > 0 && cuts.kept().get(i - 1).endUs() != span.startUs()) {
          level(cuts.kept().get(i - 1), span, playedUs, beds);
        }
        addKept(span, silenced, segments);
        playedUs += span.lengthUs();
      }
      for (; gap < cuts.gaps().size() && cuts.gaps().get(gap).after() == i; gap++) {
        long around = i < 0 ? cuts.kept().get(0).startUs() : cuts.kept().get(i).endUs();
        segments.add(new SoundPlan.Tone(tone(around), cuts.gaps().get(gap).lengthUs()));
        playedUs += cuts.gaps().get(gap).lengthUs();
      }
    }
    return new SoundPlan(segments, beds);
  }

  private void addKept(Span span, List<Span> silenced, List<SoundPlan.Segment> segments) {
    long from = span.startUs();
    for (Span gone : silenced) {
      long start = Math.max(from, gone.startUs());
      long end = Math.min(span.endUs(), gone.endUs());
      if (end - start < LEAST_US) {
        continue;
      }
      if (start > from) {
        segments.add(new SoundPlan.Recorded(new Span(from, start)));
      }
      segments.add(new SoundPlan.Tone(tone(start), end - start));
      from = end;
    }
    if (from < span.endUs()) {
      segments.add(new SoundPlan.Recorded(new Span(from, span.endUs())));
    }
  }

  private Span tone(long us) {
    return tones.near(us).map(RoomTone::span).orElse(new Span(us, us));
  }

  /**
   * Where one side of a join is noisier, its room tone goes on under the other side and fades away,
   * so that the floor glides instead of jumping. The powers add up: tone and quieter floor together
   * are as strong as the noisier floor.
   */
  private void level(Span before, Span after, long joinUs, List<SoundPlan.Bed> beds) {
    Optional<RoomTone> left = tones.before(before.endUs());
    Optional<RoomTone> right = tones.after(after.startUs());
    if (left.isEmpty() || right.isEmpty()) {
      return;
    }
    double jump = left.get().levelDb() - right.get().levelDb();
    if (Math.abs(jump) <= UNNOTICED_DB) {
      return;
    }
    double gain = Math.sqrt(1 - Math.pow(10, -Math.abs(jump) / 10));
    if (jump > 0) {
      beds.add(
          new SoundPlan.Bed(
              joinUs, Math.min(GLIDE_US, after.lengthUs()), left.get().span(), gain, 0));
    } else {
      long length = Math.min(GLIDE_US, before.lengthUs());
      beds.add(new SoundPlan.Bed(joinUs - length, length, right.get().span(), 0, gain));
    }
  }
}
