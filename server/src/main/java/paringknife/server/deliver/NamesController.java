package paringknife.server.deliver;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.NamePattern;
import paringknife.server.clips.ClipStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.shows.ShowPatterns;

/** How the files of an episode's show are named, over HTTP. */
@RestController
@RequestMapping("/api/episodes/{id}/names")
class NamesController {
  private final Episodes episodes;
  private final ShowPatterns patterns;
  private final CellNames names;
  private final ClipStore clips;

  NamesController(Episodes episodes, ShowPatterns patterns, CellNames names, ClipStore clips) {
    this.clips = clips;
    this.episodes = episodes;
    this.patterns = patterns;
    this.names = names;
  }

  /** A pattern. */
  record PatternAsked(@Schema(maxLength = 400) String pattern) {}

  /**
   * A pattern, and what comes of it.
   *
   * @param fields what it can be made of
   * @param examples names of this episode's files by it, a few
   */
  record NamesMade(String pattern, List<String> fields, List<String> examples) {}

  @GetMapping
  NamesMade names(@PathVariable long id) {
    return made(id, patterns.names(episodes.row(id).show()));
  }

  /** What a pattern would make, without keeping it. */
  @PostMapping("/examples")
  NamesMade examples(@PathVariable long id, @RequestBody PatternAsked asked) {
    return made(id, new NamePattern(asked.pattern()));
  }

  /** Keeps a pattern for all of the show. */
  @PutMapping
  NamesMade keep(@PathVariable long id, @RequestBody PatternAsked asked) {
    NamePattern pattern = new NamePattern(asked.pattern());
    patterns.keep(episodes.row(id).show(), pattern);
    return made(id, pattern);
  }

  private NamesMade made(long id, NamePattern pattern) {
    Map<CellNames.Cell, String> all = names.of(episodes.row(id), clips.ofEpisode(id), pattern);
    return new NamesMade(
        pattern.text(),
        Arrays.stream(NamePattern.Field.values())
            .map(f -> f.name().toLowerCase(Locale.ROOT))
            .toList(),
        all.values().stream().sorted().limit(3).toList());
  }
}
