package paringknife.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.CameraPlanner;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Layout;
import paringknife.core.frame.Shape;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.people.PeopleTracker;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.pare.Pared;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/** The path of a window that follows a walker for three hours, in 832 shots, against one second. */
final class PathBench {
  private static final long HOURS_US = 3 * 3_600_000_000L;
  private static final int SHOTS = 832;
  private static final long SAMPLE_US = 200_000;
  private static final int TRIES = 3;

  private PathBench() {}

  static void run() {
    Random random = new Random(11);
    List<FaceSample> samples = new ArrayList<>();
    for (long us = 0; us < HOURS_US; us += SAMPLE_US) {
      double walked = 0.25 * Math.sin(us / 9e6) + 0.1 * Math.sin(us / 2.3e6);
      double x = 0.45 + walked + 0.002 * random.nextGaussian();
      double y = 0.3 + 0.02 * Math.sin(us / 5e6) + 0.002 * random.nextGaussian();
      samples.add(new FaceSample(us, List.of(new Face(x, y, 0.06, 0.12, 1))));
    }
    List<Long> starts = new ArrayList<>();
    for (int shot = 0; shot < SHOTS; shot++) {
      starts.add(HOURS_US / SHOTS * shot);
    }
    Transcript nothing = new Transcript("en", List.of(), List.of());
    Pared whole = Pared.of(List.of(new Span(0, HOURS_US)));
    CutList cuts = whole.cuts(nothing);
    FrameRate rate = new FrameRate(25, 1);
    List<PictureRun> runs = PictureRun.of(cuts, rate);
    List<Person> people = PeopleTracker.people(samples);
    Framed framed = Framed.of(new Shape(9, 16), new Layout.One(0));
    double least = Double.MAX_VALUE;
    long moving = 0;
    for (int i = 0; i < TRIES; i++) {
      CameraPlanner planner = CameraPlanner.of(1920, 1080, people, new ShotList(starts), nothing);
      long from = System.nanoTime();
      var planned = planner.plan(whole.stretches(), cuts, framed, framed.shape());
      least = Math.min(least, (System.nanoTime() - from) / 1e9);
      moving =
          planner.path(runs, planned, framed, rate, 1).segments().stream()
              .filter(s -> !s.isHeld())
              .count();
    }
    System.out.printf(
        Locale.ROOT,
        "path of three hours in %d shots / 1 s: %.2f (%d stretches of it move)%n",
        SHOTS,
        least,
        moving);
  }
}
