package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Lays the windows of an episode for a shape: one for each speaker turn, the face in the middle,
 * eyes near the upper third where the picture leaves room (common practice), held while the person
 * keeps to their place and following them where they leave it. A turn of less than {@value
 * #SHORT_TURN_US} microseconds does not move the frame.
 */
public final class FramePlanner {
  private static final long SHORT_TURN_US = 1_200_000;
  private static final long LEAD_US = 80_000;
  private static final double TIGHTEST = 0.8;

  private final int pictureWidth;
  private final int pictureHeight;
  private final List<Person> people;
  private final Transcript transcript;
  private final SpeakerPlacement placement;
  private final Map<Following, FollowedPerson> followed = new ConcurrentHashMap<>();

  private final ShotList shots;
  private final Map<Span, SpeakerPlacement> placements = new ConcurrentHashMap<>();

  private record Following(int person, Span shot, Shape shape) {}

  /** Measures in pixels of the recording; all of it is one shot. */
  public FramePlanner(
      int pictureWidth, int pictureHeight, List<Person> people, Transcript transcript) {
    this(pictureWidth, pictureHeight, people, ShotList.ONE, transcript);
  }

  /** Measures in pixels of the recording. */
  public FramePlanner(
      int pictureWidth,
      int pictureHeight,
      List<Person> people,
      ShotList shots,
      Transcript transcript) {
    this.shots = shots;
    this.pictureWidth = pictureWidth;
    this.pictureHeight = pictureHeight;
    this.people = people;
    this.transcript = transcript;
    this.placement = SpeakerPlacement.of(people, transcript);
  }

  public SpeakerPlacement placement() {
    return placement;
  }

  /**
   * Windows that cover each stretch of a clip without gap, all of one size. Only words that are
   * kept move the frame from one person to another.
   */
  public List<PlannedWindow> plan(
      List<Span> stretches, CutList cuts, Framing framing, Shape shape) {
    double height = windowHeight(shape);
    double width = height * shape.ratio();
    KeptIndex kept = cuts.index();
    List<PlannedWindow> windows = new ArrayList<>();
    for (Span stretch : stretches) {
      for (Span part : shots.parts(stretch)) {
        Span shot = shots.around(part.startUs());
        for (Turn turn : turns(part, shot, framing, kept)) {
          windows.add(window(turn, new Following(turn.person(), shot, shape), width, height));
        }
      }
    }
    return windows;
  }

  private record Turn(Span span, int person) {}

  private List<Turn> turns(Span part, Span shot, Framing framing, KeptIndex kept) {
    return switch (framing.mode()) {
      case MIDDLE -> List.of(new Turn(part, -1));
      case PERSON ->
          List.of(new Turn(part, isSeen(framing.person(), shot) ? framing.person() : -1));
      case SPEAKER -> speakerTurns(part, shot, kept);
    };
  }

  private boolean isSeen(int person, Span shot) {
    return person < people.size() && !people.get(person).seenIn(shot).isEmpty();
  }

  /** Who speaks is found for each shot anew: the same place is somebody else in another one. */
  private SpeakerPlacement placementIn(Span shot) {
    return shots.isOne()
        ? placement
        : placements.computeIfAbsent(shot, s -> SpeakerPlacement.of(people, transcript, s));
  }

  /** Whoever is seen most in a shot; -1 where nobody is. */
  private int mostSeen(Span shot) {
    int most = -1;
    for (int p = 0; p < people.size(); p++) {
      int seen = people.get(p).seenIn(shot).size();
      if (seen > (most < 0 ? 0 : people.get(most).seenIn(shot).size())) {
        most = p;
      }
    }
    return most;
  }

  private List<Turn> speakerTurns(Span span, Span shot, KeptIndex kept) {
    List<Turn> turns = new ArrayList<>();
    for (Turn talk : talks(span, shot, kept)) {
      Turn last = turns.isEmpty() ? null : turns.get(turns.size() - 1);
      boolean stays =
          last != null
              && (talk.person() == last.person() || talk.span().lengthUs() < SHORT_TURN_US);
      if (stays) {
        turns.set(
            turns.size() - 1,
            new Turn(new Span(last.span().startUs(), talk.span().endUs()), last.person()));
      } else {
        turns.add(talk);
      }
    }
    if (turns.isEmpty()) {
      return List.of(new Turn(span, mostSeen(shot)));
    }
    return withoutGaps(turns, span);
  }

  private List<Turn> talks(Span span, Span shot, KeptIndex kept) {
    SpeakerPlacement here = placementIn(shot);
    List<Turn> talks = new ArrayList<>();
    for (Word word : transcript.within(span)) {
      if (kept.keptUs(word.span()) * 2 < word.span().lengthUs()) {
        continue;
      }
      int person = here.personOf(word.speaker());
      Turn last = talks.isEmpty() ? null : talks.get(talks.size() - 1);
      if (person < 0) {
        // Who speaks is not in the picture.
        person = last != null ? last.person() : shots.isOne() ? -1 : mostSeen(shot);
      }
      if (last != null && last.person() == person) {
        talks.set(
            talks.size() - 1,
            new Turn(
                new Span(last.span().startUs(), Math.max(last.span().endUs(), word.endUs())),
                person));
      } else {
        talks.add(new Turn(word.span(), person));
      }
    }
    return talks;
  }

  private static List<Turn> withoutGaps(List<Turn> turns, Span whole) {
    List<Turn> closed = new ArrayList<>();
    long from = whole.startUs();
    for (int i = 0; i < turns.size(); i++) {
      long to =
          i + 1 == turns.size()
              ? whole.endUs()
              : Math.max(from, turns.get(i + 1).span().startUs() - LEAD_US);
      closed.add(
          new Turn(
              new Span(from, Math.max(from, Math.min(to, whole.endUs()))), turns.get(i).person()));
      from = closed.get(i).span().endUs();
    }
    return closed;
  }

  private double windowHeight(Shape shape) {
    double full = Math.min(pictureHeight, pictureWidth / shape.ratio());
    double tight = 0;
    for (Person person : people) {
      double eyes = person.typicalFace(0, Long.MAX_VALUE).eyesY() * pictureHeight;
      tight = Math.max(tight, 1.5 * (pictureHeight - eyes));
    }
    return people.isEmpty() ? full : Math.max(TIGHTEST * full, Math.min(full, tight));
  }

  private PlannedWindow window(Turn turn, Following following, double width, double height) {
    int person = turn.person();
    if (person >= 0) {
      return followed
          .computeIfAbsent(
              following,
              f ->
                  new FollowedPerson(
                      people.get(person).in(f.shot()),
                      person,
                      pictureWidth,
                      pictureHeight,
                      width,
                      height))
          .over(turn.span());
    }
    double x = clamp(pictureWidth / 2.0 - width / 2, pictureWidth - width);
    double y = clamp(pictureHeight / 3.0 - height / 3, pictureHeight - height);
    return new HeldWindow(turn.span(), new Window(x, y, width, height), -1);
  }

  private static double clamp(double value, double most) {
    return Math.max(0, Math.min(most, value));
  }
}
