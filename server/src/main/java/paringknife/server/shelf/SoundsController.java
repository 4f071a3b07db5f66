package paringknife.server.shelf;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The separate sounds of episodes over HTTP. */
@RestController
@RequestMapping("/api/episodes/{id}/sounds")
class SoundsController {
  private final Episodes episodes;
  private final EpisodeSounds sounds;

  SoundsController(Episodes episodes, EpisodeSounds sounds) {
    this.episodes = episodes;
    this.sounds = sounds;
  }

  /** A separate sound recording of an episode, lined up; offset and nudge in microseconds. */
  record SoundOfEpisode(
      int position,
      String file,
      String speaker,
      @Nullable Long offsetUs,
      @Nullable Double driftPpm,
      @Nullable Double agreeing,
      long nudgeUs,
      boolean heard) {}

  /** What the producer chose for a sound. */
  record SoundChoice(String speaker, long nudgeUs, boolean heard) {}

  /**
   * The sounds of an episode; words are listened for in one of them, in its own (-1), or in what is
   * heard (null).
   */
  record SoundsOfEpisode(List<SoundOfEpisode> separate, @Nullable Integer listened) {}

  /** What the producer chose for all sounds. */
  record SoundsChosen(List<SoundChoice> separate, @Nullable Integer listened) {}

  @GetMapping
  SoundsOfEpisode sounds(@PathVariable long id) {
    return new SoundsOfEpisode(separate(id), episodes.row(id).listenedSound());
  }

  private List<SoundOfEpisode> separate(long id) {
    return sounds.of(id).stream()
        .map(
            s -> {
              var placed = s.placed();
              return new SoundOfEpisode(
                  s.position(),
                  s.source().getFileName().toString(),
                  s.speaker(),
                  placed == null ? null : placed.offsetUs(),
                  placed == null ? null : placed.driftPpm(),
                  placed == null ? null : placed.agreeing(),
                  s.nudgeUs(),
                  s.heard());
            })
        .toList();
  }

  /** Changes which sounds are heard and where they lie; the episode's sound is made anew. */
  @PutMapping
  void chooseSounds(@PathVariable long id, @RequestBody SoundsChosen chosen) {
    episodes.listenTo(id, chosen.listened());
    episodes.chooseSounds(
        id,
        chosen.separate().stream()
            .map(c -> new EpisodeSounds.Choice(c.speaker().strip(), c.nudgeUs(), c.heard()))
            .toList());
  }
}
