package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.people.SpeakerPlacement;
import paringknife.core.frame.people.TalkingMouths;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * Whom of those in the picture one hears, turn by turn: by the transcript's speakers, and where it
 * names none by mouths; only words that are kept count. A turn of less than {@value #SHORT_TURN_US}
 * microseconds belongs to the one before it.
 */
final class SpeakerTurns {
  private static final long SHORT_TURN_US = 1_200_000;
  private static final long LEAD_US = 80_000;

  /** Turns as short as this that follow one another are a crossing. */
  private static final long QUICK_TURN_US = 1_500_000;

  /** Where there is no transcript mouths are looked at so often. */
  private static final long LOOK_US = 500_000;

  private static final long SHORTEST_CROSSING_US = 1_200_000;

  private final List<Person> people;
  private final Transcript transcript;
  private final Function<Span, SpeakerPlacement> placementIn;

  private final Supplier<TalkingMouths> mouths;

  /** Worked out when they are first asked for; whoever asks at once works out the same. */
  private volatile @Nullable TalkingMouths seenMouths;

  /**
   * @param people as the camera sees them
   * @param mouths tell who says what the transcript names nobody for
   * @param placementIn who is which speaker in a shot
   */
  SpeakerTurns(
      List<Person> people,
      Supplier<TalkingMouths> mouths,
      Transcript transcript,
      Function<Span, SpeakerPlacement> placementIn) {
    this.people = people;
    this.mouths = mouths;
    this.transcript = transcript;
    this.placementIn = placementIn;
  }

  /** A stretch in which one person speaks; -1 where nobody seen does. */
  record Turn(Span span, int person) {}

  /** A stretch in which two talk across one another. */
  record Crossing(Span span, int one, int other) {}

  /** Whoever is seen most in a shot; -1 where nobody is. */
  int mostSeen(Span shot) {
    int most = -1;
    for (int p = 0; p < people.size(); p++) {
      int seen = people.get(p).seenIn(shot).size();
      if (seen > (most < 0 ? 0 : people.get(most).seenIn(shot).size())) {
        most = p;
      }
    }
    return most;
  }

  /** The turns of a part of a shot, without gap. */
  List<Turn> of(Span part, Span shot, KeptIndex kept) {
    List<Turn> turns = new ArrayList<>();
    for (Turn talk : talks(part, shot, kept)) {
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
      return List.of(new Turn(part, mostSeen(shot)));
    }
    return withoutGaps(turns, part);
  }

  /** Where two people of a part of a shot talk at once, or in short turns one upon the other. */
  List<Crossing> crossings(Span part, Span shot, KeptIndex kept) {
    List<Turn> talks = talks(part, shot, kept);
    List<Crossing> crossings = new ArrayList<>();
    for (int i = 1; i < talks.size(); i++) {
      Turn before = talks.get(i - 1);
      Turn turn = talks.get(i);
      boolean at = before.span().endUs() > turn.span().startUs();
      boolean quick =
          before.span().lengthUs() <= QUICK_TURN_US && turn.span().lengthUs() <= QUICK_TURN_US;
      if (before.person() < 0 || turn.person() < 0 || !(at || quick)) {
        continue;
      }
      Crossing last = crossings.isEmpty() ? null : crossings.get(crossings.size() - 1);
      long from = before.span().startUs() - LEAD_US;
      long to = Math.max(before.span().endUs(), turn.span().endUs());
      if (last != null && from <= last.span().endUs()) {
        crossings.set(
            crossings.size() - 1,
            new Crossing(new Span(last.span().startUs(), to), last.one(), last.other()));
      } else {
        crossings.add(
            new Crossing(
                new Span(Math.max(part.startUs(), from), to),
                Math.min(before.person(), turn.person()),
                Math.max(before.person(), turn.person())));
      }
    }
    return crossings.stream().filter(c -> c.span().lengthUs() >= SHORTEST_CROSSING_US).toList();
  }

  private List<Turn> talks(Span span, Span shot, KeptIndex kept) {
    SpeakerPlacement here = placementIn.apply(shot);
    List<Said> all = said(span, kept);
    List<Span> nameless = all.stream().filter(s -> s.speaker() < 0).map(Said::span).toList();
    int[] byMouth = nameless.isEmpty() ? new int[0] : mouths().during(nameless, shot);
    List<Turn> talks = new ArrayList<>();
    int next = 0;
    for (Said said : all) {
      int person = said.speaker() < 0 ? byMouth[next++] : here.personOf(said.speaker());
      Turn last = talks.isEmpty() ? null : talks.get(talks.size() - 1);
      if (person < 0) {
        // Who speaks is not in the picture.
        person = last != null ? last.person() : mostSeen(shot);
      }
      if (last != null && last.person() == person) {
        talks.set(
            talks.size() - 1,
            new Turn(
                new Span(last.span().startUs(), Math.max(last.span().endUs(), said.span().endUs())),
                person));
      } else {
        talks.add(new Turn(said.span(), person));
      }
    }
    return talks;
  }

  /** Something that is said, and whose it is by the transcript; -1 where it does not say. */
  private record Said(Span span, int speaker) {}

  /** The words of a part that are kept; of a recording without a word all that it has. */
  private List<Said> said(Span part, KeptIndex kept) {
    if (transcript.words().isEmpty()) {
      List<Said> looks = new ArrayList<>();
      for (long us = part.startUs(); us < part.endUs(); us += LOOK_US) {
        looks.add(new Said(new Span(us, Math.min(part.endUs(), us + LOOK_US)), -1));
      }
      return looks;
    }
    return transcript.within(part).stream()
        .filter(word -> kept.keptUs(word.span()) * 2 >= word.span().lengthUs())
        .map(word -> new Said(word.span(), word.speaker()))
        .toList();
  }

  private TalkingMouths mouths() {
    TalkingMouths known = seenMouths;
    if (known == null) {
      known = mouths.get();
      seenMouths = known;
    }
    return known;
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
}
