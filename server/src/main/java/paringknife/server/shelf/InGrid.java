package paringknife.server.shelf;

import java.util.Comparator;
import java.util.stream.IntStream;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.Person;
import paringknife.server.episodes.Episode;

/** Faces as shares of the pictures of all cameras side by side. */
final class InGrid {
  private InGrid() {}

  static Face of(Face face, CameraGrid grid, int camera) {
    Face pixels = grid.cells().get(camera).inGrid(face);
    return new Face(
        pixels.x() / grid.width(),
        pixels.y() / grid.height(),
        pixels.width() / grid.width(),
        pixels.height() / grid.height(),
        face.mouthMotion());
  }

  /** Where somebody is seen best by any camera. */
  static Person.Sighting best(Episode episode, int person) {
    return IntStream.range(0, episode.grid().cameras())
        .filter(c -> episode.people().on(c).get(person).isSeen())
        .mapToObj(c -> bestOn(episode, person, c))
        .max(Comparator.comparingDouble(s -> s.face().height()))
        .orElseThrow();
  }

  private static Person.Sighting bestOn(Episode episode, int person, int camera) {
    Person.Sighting seen = episode.people().on(camera).get(person).seenBest();
    return new Person.Sighting(seen.timeUs(), of(seen.face(), episode.grid(), camera));
  }
}
