package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;

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
        sightings.stream()
            .filter(s -> s.timeUs() >= fromUs && s.timeUs() < toUs)
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

  private static double median(List<Double> values) {
    List<Double> sorted = new ArrayList<>(values);
    sorted.sort(null);
    return sorted.get(sorted.size() / 2);
  }
}
