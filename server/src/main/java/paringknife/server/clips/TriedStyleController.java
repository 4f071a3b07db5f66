package paringknife.server.clips;

import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Besides;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.core.letter.style.Style;
import paringknife.core.time.Span;
import paringknife.server.database.Recent;
import paringknife.server.shelf.Episodes;

/**
 * Styles that are only being tried. Many come in a second while something is dragged: what they are
 * tried on is looked up once for each state that the page says it has before it.
 */
@RestController
@RequestMapping("/api/clips/{id}")
class TriedStyleController {
  /** So much before and after the moment that is looked at is drawn, where only that is wanted. */
  private static final long AROUND_US = 15_000_000;

  private final OpenClips clips;
  private final Episodes episodes;
  private final Recent<TriedOn> recent = new Recent<>(24);

  TriedStyleController(OpenClips clips, Episodes episodes) {
    this.clips = clips;
    this.episodes = episodes;
  }

  /** Captions and all about them, as they were at a revision of the clip and of the words. */
  private record TriedOn(
      int clip, int words, String spec, OpenClips.Open open, List<Cue> cues, Obstacles obstacles) {
    boolean isOf(int seenClip, int seenWords, String seenSpec) {
      return clip == seenClip && words == seenWords && spec.equals(seenSpec);
    }

    /** What shows within a span; it stands where it would among all. */
    String in(Style style, Span span) {
      Canvas canvas = open.canvas(spec);
      AssScript.Part tried = AssScript.clearOf(obstacles, style, canvas, cues);
      List<AssScript.Part> all =
          new Besides(canvas).with(List.of(tried), open.clip().besides(), obstacles);
      return AssScript.write(canvas, all.stream().map(part -> part.within(span)).toList());
    }
  }

  /** How captions would look. */
  record TriedStyle(Style style) {}

  /**
   * The drawing instructions of the captions in a style that is only being tried.
   *
   * @param clip the revision of the clip that is looked at; without it, the clip as it is now
   * @param words likewise of the transcript
   * @param at the moment of the clip that is looked at, microseconds: captions far from it are left
   *     out; without it, none are
   */
  @PostMapping(path = "/tried.ass", produces = MediaType.TEXT_PLAIN_VALUE + ";charset=UTF-8")
  String tried(
      @PathVariable long id,
      @RequestParam(defaultValue = "") String spec,
      @RequestParam(defaultValue = "-1") int clip,
      @RequestParam(defaultValue = "-1") int words,
      @RequestParam(defaultValue = "-1") long at,
      @RequestBody TriedStyle asked) {
    return recent
        .getOrMake(id, known -> known.isOf(clip, words, spec), any -> triedOn(id, spec))
        .in(asked.style(), around(at));
  }

  private static Span around(long at) {
    if (at < 0) {
      return new Span(0, Long.MAX_VALUE);
    }
    long moment = Math.min(at, Long.MAX_VALUE - AROUND_US);
    return new Span(Math.max(0, moment - AROUND_US), moment + AROUND_US);
  }

  /**
   * The revision of the words is read first: whoever changes them meanwhile makes this outdated.
   */
  private TriedOn triedOn(long id, String spec) {
    int words = episodes.standing(clips.byId(id).stored().episodeId()).transcript();
    OpenClips.Open open = clips.byId(id);
    return new TriedOn(
        open.stored().revision(),
        words,
        spec,
        open,
        open.clip().captions().cues(),
        open.obstacles(spec));
  }
}
