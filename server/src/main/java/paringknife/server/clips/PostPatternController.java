package paringknife.server.clips;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.post.PostPattern;
import paringknife.server.shelf.Episodes;
import paringknife.server.shows.ShowPatterns;

/** How the texts of an episode's show are proposed, over HTTP. */
@RestController
@RequestMapping("/api/episodes/{id}/post-pattern")
class PostPatternController {
  private final Episodes episodes;
  private final ShowPatterns patterns;

  PostPatternController(Episodes episodes, ShowPatterns patterns) {
    this.episodes = episodes;
    this.patterns = patterns;
  }

  /** A pattern. */
  record TextPattern(@Schema(maxLength = 2000) String pattern) {}

  /**
   * A pattern as it is kept.
   *
   * @param fields what it can be made of
   */
  record TextPatternKept(String pattern, List<String> fields) {}

  @GetMapping
  TextPatternKept pattern(@PathVariable long id) {
    return shown(patterns.posts(episodes.row(id).show()));
  }

  /** Keeps a pattern for all of the show; texts that somebody wrote stay. */
  @PutMapping
  TextPatternKept keep(@PathVariable long id, @RequestBody TextPattern asked) {
    PostPattern pattern = new PostPattern(asked.pattern());
    patterns.keep(episodes.row(id).show(), pattern);
    return shown(pattern);
  }

  private static TextPatternKept shown(PostPattern pattern) {
    return new TextPatternKept(
        pattern.text(),
        Arrays.stream(PostPattern.Field.values())
            .map(f -> f.name().toLowerCase(Locale.ROOT))
            .toList());
  }
}
