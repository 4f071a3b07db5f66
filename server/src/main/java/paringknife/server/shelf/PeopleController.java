package paringknife.server.shelf;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.DoubleStream;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.PeopleCorrection;
import paringknife.core.frame.people.Person;
import paringknife.core.time.Span;
import paringknife.server.episodes.Episode;
import paringknife.server.events.Events;
import paringknife.server.web.JsonKinds;

/** Who is seen in episodes, over HTTP: where their faces are, and what a producer puts right. */
@RestController
@RequestMapping("/api/episodes/{id}")
class PeopleController {
  /** How much of the faces is told at once, microseconds. */
  private static final long MOST_FACES_US = 600_000_000;

  private final Episodes episodes;
  private final Events events;

  PeopleController(Episodes episodes, Events events) {
    this.episodes = episodes;
    this.events = events;
  }

  /** What corrections are called in JSON. */
  @Configuration
  static class Kinds {
    @Bean
    JsonKinds peopleCorrections() {
      return new JsonKinds(
          PeopleCorrection.class,
          Map.of(
              "named", PeopleCorrection.Named.class,
              "joined", PeopleCorrection.Joined.class,
              "notThis", PeopleCorrection.NotThis.class,
              "dismissed", PeopleCorrection.Dismissed.class));
    }
  }

  /**
   * Where a person's face is through a while.
   *
   * @param camera that sees it, counted from 0
   * @param timesUs when it was looked for, microseconds
   * @param boxes of each time left, upper edge, width and height, as shares of the pictures of all
   *     cameras side by side
   */
  record FaceTrack(int person, int camera, long[] timesUs, double[] boxes) {}

  /** Where faces are between two times, for up to ten minutes. */
  @GetMapping("/faces")
  List<FaceTrack> faces(@PathVariable long id, @RequestParam long fromUs, @RequestParam long toUs) {
    if (fromUs < 0 || toUs < fromUs || toUs - fromUs > MOST_FACES_US) {
      throw new IllegalArgumentException("Faces are told for up to ten minutes at once.");
    }
    Episode episode = episodes.open(id);
    Span span = new Span(fromUs, toUs);
    List<FaceTrack> tracks = new ArrayList<>();
    for (int c = 0; c < episode.grid().cameras(); c++) {
      List<Person> people = episode.people().on(c);
      for (int p = 0; p < people.size(); p++) {
        tracks.add(track(p, c, people.get(p).seenIn(span), episode.grid()));
      }
    }
    return tracks;
  }

  private static FaceTrack track(
      int person, int camera, List<Person.Sighting> seen, CameraGrid grid) {
    return new FaceTrack(
        person,
        camera,
        seen.stream().mapToLong(Person.Sighting::timeUs).toArray(),
        seen.stream()
            .map(s -> InGrid.of(s.face(), grid, camera))
            .flatMapToDouble(f -> DoubleStream.of(f.x(), f.y(), f.width(), f.height()))
            .toArray());
  }

  /** What a producer puts right about who is seen. */
  record PeopleChange(PeopleCorrection correction) {}

  /** Names somebody, joins two, or says who is not seen. */
  @PostMapping("/people")
  void putRight(@PathVariable long id, @RequestBody PeopleChange change) {
    episodes.putRight(id, change.correction());
    events.peopleChanged(id);
  }

  /** Takes back what was put right last. */
  @DeleteMapping("/people/last")
  void takeBack(@PathVariable long id) {
    episodes.takeBackPeople(id);
    events.peopleChanged(id);
  }
}
