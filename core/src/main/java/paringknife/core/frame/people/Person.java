package paringknife.core.frame.people;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import paringknife.core.time.Span;

/**
 * A person seen through an episode.
 *
 * @param sightings their face at the times it was found, in order
 */
public record Person(List<Sighting> sightings) {
  /** A face at a time. */
  public record Sighting(long timeUs, Face face) {}

  public Person {
    sightings = List.copyOf(sightings);
  }

  /** Somebody who is seen nowhere. */
  public static final Person NOBODY = new Person(List.of());

  private static final Face MIDDLE = new Face(0.45, 0.25, 0.1, 0.18, 0);

  public boolean isSeen() {
    return !sightings.isEmpty();
  }

  /**
   * The middle face box of all sightings within a stretch, or of all when there is none there; a
   * face in the middle where they are seen nowhere.
   */
  public Face typicalFace(long fromUs, long toUs) {
    if (sightings.isEmpty()) {
      return MIDDLE;
    }
    List<Face> faces =
        sightings.subList(firstNotBefore(fromUs), firstNotBefore(toUs)).stream()
            .map(Sighting::face)
            .toList();
    List<Face> used = faces.isEmpty() ? sightings.stream().map(Sighting::face).toList() : faces;
    return new Face(
        median(used.stream().map(Face::x).toList()),
        median(used.stream().map(Face::y).toList()),
        median(used.stream().map(Face::width).toList()),
        median(used.stream().map(Face::height).toList()),
        0);
  }

  /**
   * Where they are seen well: their face as large as mostly or larger, away from the edges.
   *
   * @throws java.util.NoSuchElementException when they are seen nowhere
   */
  public Sighting seenBest() {
    return sightings.stream().max(Comparator.comparingDouble(s -> clear(s.face()))).orElseThrow();
  }

  /** The height of a face, less where it lies near an edge. */
  private static double clear(Face face) {
    double room =
        Math.min(
            Math.min(face.x(), 1 - face.x() - face.width()),
            Math.min(face.y(), 1 - face.y() - face.height()));
    return face.height() * Math.min(1, Math.max(0, room / (face.height() / 2)));
  }

  /** What is seen of them during a stretch. */
  public Person in(Span stretch) {
    return new Person(seenIn(stretch));
  }

  /** From the first sighting to the last. */
  public Span seen() {
    return new Span(sightings.get(0).timeUs(), sightings.get(sightings.size() - 1).timeUs());
  }

  /** The sightings within a stretch. */
  public List<Sighting> seenIn(Span span) {
    return sightings.subList(firstNotBefore(span.startUs()), firstNotBefore(span.endUs()));
  }

  /** For so many pictures at most a face is taken to be where it was, before it is looked for. */
  private static final int LONGEST_WAIT = 10;

  /**
   * Their face at a time: between two places where it was found on the way from one to the other. A
   * place that is the same to the last bit was not found again but taken over.
   */
  public Face faceAt(long us) {
    int next = firstNotBefore(us);
    if (next == 0 || next == sightings.size()) {
      return sightings.get(Math.min(next, sightings.size() - 1)).face();
    }
    Sighting before = sightings.get(foundAt(next - 1));
    Sighting after = sightings.get(movedAfter(next));
    double share = (us - before.timeUs()) / (double) (after.timeUs() - before.timeUs());
    return before.face().towards(after.face(), share);
  }

  /** Where the place of a sighting was found. */
  private int foundAt(int sighting) {
    int at = sighting;
    while (at > 0 && sighting - at < LONGEST_WAIT && isTakenOver(at)) {
      at--;
    }
    return at;
  }

  /** The next sighting, from one on, whose place was found; that one where none comes soon. */
  private int movedAfter(int sighting) {
    int at = sighting;
    while (at + 1 < sightings.size() && at - sighting < LONGEST_WAIT && isTakenOver(at)) {
      at++;
    }
    return at;
  }

  private boolean isTakenOver(int sighting) {
    Face here = sightings.get(sighting).face();
    Face before = sightings.get(sighting - 1).face();
    return here.x() == before.x()
        && here.y() == before.y()
        && here.width() == before.width()
        && here.height() == before.height();
  }

  /** Without those whose place was not found again, as far as they are not waited for too long. */
  static List<Sighting> moved(List<Sighting> sightings) {
    Person person = new Person(sightings);
    List<Sighting> moved = new ArrayList<>();
    int kept = 0;
    for (int s = 0; s < sightings.size(); s++) {
      if (s == 0 || s - kept >= LONGEST_WAIT || !person.isTakenOver(s)) {
        moved.add(sightings.get(s));
        kept = s;
      }
    }
    return moved;
  }

  private int firstNotBefore(long us) {
    return firstNotBefore(sightings, us);
  }

  /** Index of the first at a time or after it; how many there are where none is. */
  static int firstNotBefore(List<Sighting> sightings, long us) {
    int from = 0;
    int to = sightings.size();
    while (from < to) {
      int middle = (from + to) / 2;
      if (sightings.get(middle).timeUs() < us) {
        from = middle + 1;
      } else {
        to = middle;
      }
    }
    return from;
  }

  private static double median(List<Double> values) {
    List<Double> sorted = new ArrayList<>(values);
    sorted.sort(null);
    return sorted.get(sorted.size() / 2);
  }
}
