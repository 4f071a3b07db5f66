package paringknife.core.frame;

import java.util.ArrayList;
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

  /** The middle face box of all sightings within a stretch, or of all when there is none there. */
  public Face typicalFace(long fromUs, long toUs) {
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

  /** What is seen of them during a stretch. */
  Person in(Span stretch) {
    return new Person(seenIn(stretch));
  }

  /** From the first sighting to the last. */
  Span seen() {
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
  Face faceAt(long us) {
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

  private int firstNotBefore(long us) {
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
