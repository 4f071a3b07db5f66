package paringknife.server.picks;

import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.formats.ChapterText;
import paringknife.core.formats.EditDecisionList;
import paringknife.core.formats.EditEvent;
import paringknife.core.formats.ImportedText;
import paringknife.core.formats.PickCsv;
import paringknife.core.formats.TimedText;
import paringknife.core.pick.Brief;
import paringknife.core.pick.BriefSentence;
import paringknife.core.pick.Chapter;
import paringknife.core.pick.ChapterFinder;
import paringknife.core.pick.Pick;
import paringknife.core.pick.PickLimits;
import paringknife.core.pick.Piece;
import paringknife.core.pick.PieceFinder;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.media.language.SnowballForms;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.Episodes;
import paringknife.server.specs.SpecStore;
import paringknife.server.web.Attachment;

/** Picking over HTTP: proposals by a brief, marks by hand, chapters. */
@RestController
@RequestMapping("/api/episodes/{id}")
class PickController {
  private final Episodes episodes;
  private final MarkStore marks;
  private final SpecStore specs;

  PickController(Episodes episodes, MarkStore marks, SpecStore specs) {
    this.specs = specs;
    this.episodes = episodes;
    this.marks = marks;
  }

  /** A brief as the browser writes it: seconds, and words. */
  record BriefAsked(
      int count,
      double shortest,
      double longest,
      List<String> subjects,
      List<String> avoid,
      List<String> unheard,
      @Nullable Double share,
      @Nullable List<String> specs) {
    Brief brief() {
      return new Brief(
          count,
          Math.round(shortest * 1e6),
          Math.round(longest * 1e6),
          subjects,
          avoid,
          unheard,
          share,
          specs);
    }

    static BriefAsked of(Brief brief) {
      return new BriefAsked(
          brief.count(),
          brief.shortestUs() / 1e6,
          brief.longestUs() / 1e6,
          brief.subjects(),
          brief.avoid(),
          brief.unheard(),
          brief.share(),
          brief.specs());
    }
  }

  private Brief brief(BriefAsked asked) {
    Brief brief = asked.brief();
    brief.specs().forEach(specs.all()::byId);
    return brief;
  }

  /** A sentence over a brief that holds where it says nothing. */
  record SentenceAsked(String sentence, BriefAsked otherwise) {}

  /** The brief a sentence makes, and what of it was understood. */
  record BriefRead(BriefAsked brief, List<String> understood) {}

  /** A stretch to be marked. */
  record NewMark(long startUs, long endUs, MarkStore.MarkState state, String title, String note) {}

  /** Marks to be taken away. */
  record MarkIds(List<Long> ids) {}

  /** Picks as a file's text. */
  record PickFile(String name, @Schema(maxLength = 4_000_000) String text) {}

  /** What came of an import. */
  record PicksRead(int marks, List<String> mended) {}

  /** Chapters, and whether somebody has settled them. */
  record ChapterList(boolean settled, List<Chapter> chapters) {}

  @GetMapping("/brief")
  BriefAsked brief(@PathVariable long id) {
    return BriefAsked.of(
        marks
            .brief(episodes.row(id).show())
            .orElse(new Brief(3, 15_000_000, 58_000_000, List.of()))
            .amongSpecs(specs.all().all().stream().map(DeliverySpec::id).toList()));
  }

  /** Proposals for a brief, which the show keeps. */
  @PostMapping("/picks")
  List<Pick> picks(@PathVariable long id, @RequestBody BriefAsked asked) {
    Brief brief = brief(asked);
    List<Pick> picks = episodes.open(id).picks(brief);
    marks.keep(episodes.row(id).show(), brief);
    return picks;
  }

  /** What one clip of the episode's highlights is made of, for the share that a brief asks for. */
  @PostMapping("/highlights")
  List<Pick> highlights(@PathVariable long id, @RequestBody BriefAsked asked) {
    Brief brief = brief(asked);
    List<Pick> found = episodes.open(id).picks().highlights(brief);
    marks.keep(episodes.row(id).show(), brief);
    return found;
  }

  /** What picking in this episode cannot go by; said to the user. */
  @GetMapping("/pick-limits")
  List<String> limits(@PathVariable long id) {
    return PickLimits.of(episodes.transcript(id).transcript());
  }

  @PostMapping("/brief-sentence")
  BriefRead read(@PathVariable long id, @RequestBody SentenceAsked asked) {
    BriefSentence.Understood understood =
        BriefSentence.read(asked.sentence(), asked.otherwise().brief());
    return new BriefRead(BriefAsked.of(understood.brief()), understood.understood());
  }

  @GetMapping("/marks")
  List<MarkStore.Mark> marks(@PathVariable long id) {
    return marks.of(id);
  }

  @PostMapping("/marks")
  long mark(@PathVariable long id, @RequestBody NewMark asked) {
    episodes.row(id);
    return marks.add(
        id, asked.startUs(), asked.endUs(), asked.state(), asked.title(), asked.note());
  }

  @PutMapping("/marks")
  void change(@PathVariable long id, @RequestBody MarkStore.Mark mark) {
    marks.change(id, mark);
  }

  @PostMapping("/marks/remove")
  void remove(@PathVariable long id, @RequestBody MarkIds asked) {
    marks.remove(id, asked.ids());
  }

  /** Marks from a CSV or an edit decision list. */
  @PostMapping("/marks/import")
  PicksRead importMarks(@PathVariable long id, @RequestBody PickFile file) {
    ImportedText read =
        file.name().toLowerCase(java.util.Locale.ROOT).endsWith(".edl")
            ? ofList(episodes.open(id).rate(), file.text())
            : PickCsv.read(file.text());
    long duration = episodes.row(id).durationUs();
    List<String> mended = new ArrayList<>(read.mended());
    int made = 0;
    for (TimedText pick : read.cues()) {
      if (pick.span().startUs() < duration) {
        marks.add(
            id,
            pick.span().startUs(),
            Math.min(duration, pick.span().endUs()),
            MarkStore.MarkState.MARKED,
            pick.text(),
            "");
        made++;
      } else {
        mended.add("\"" + pick.text() + "\" lies after the end of the episode and was left out");
      }
    }
    return new PicksRead(made, mended);
  }

  private static ImportedText ofList(FrameRate rate, String text) {
    List<TimedText> picks = new ArrayList<>();
    for (EditEvent event : EditDecisionList.read(text, rate)) {
      picks.add(
          new TimedText(
              new Span(
                  rate.startUs(event.sourceFrame()),
                  rate.startUs(event.sourceFrame() + event.count())),
              "Event " + (picks.size() + 1)));
    }
    return new ImportedText(picks, List.of());
  }

  /** The marks as CSV or as an edit decision list. */
  @GetMapping("/marks/file")
  ResponseEntity<byte[]> export(
      @PathVariable long id, @RequestParam(defaultValue = "csv") String format) {
    List<MarkStore.Mark> marked =
        marks.of(id).stream().filter(m -> m.state() == MarkStore.MarkState.MARKED).toList();
    String text;
    if (format.equals("edl")) {
      Episode episode = episodes.open(id);
      List<EditEvent> events = new ArrayList<>();
      long record = 0;
      for (MarkStore.Mark mark : marked) {
        long in = episode.rate().nearestFrame(mark.startUs());
        long count = Math.max(1, episode.rate().nearestFrame(mark.endUs()) - in);
        events.add(new EditEvent(in, record, count));
        record += count;
      }
      text =
          EditDecisionList.write(
              episodes.row(id).title(),
              episode.recording().file().getFileName().toString(),
              events,
              episode.rate(),
              false,
              0,
              1);
    } else {
      text =
          PickCsv.write(
              marked.stream()
                  .map(m -> new TimedText(new Span(m.startUs(), m.endUs()), m.title()))
                  .toList());
    }
    return file(text, "picks." + (format.equals("edl") ? "edl" : "csv"));
  }

  /** Scripts with a blank line between two; blank to part at breaks of so many seconds. */
  record PiecesAsked(@Schema(maxLength = 4_000_000) String scripts, double breakSeconds) {}

  /** The pieces of a batch recording. */
  @PostMapping("/pieces")
  List<Piece> pieces(@PathVariable long id, @RequestBody PiecesAsked asked) {
    PieceFinder finder = new PieceFinder(episodes.transcript(id).transcript());
    if (!asked.scripts().isBlank()) {
      return finder.byScripts(asked.scripts());
    }
    if (!(asked.breakSeconds() >= 0.5)) {
      throw new IllegalArgumentException("A break that parts pieces lasts half a second at least.");
    }
    return finder.byBreaks(Math.round(asked.breakSeconds() * 1e6));
  }

  @GetMapping("/chapters")
  ChapterList chapters(@PathVariable long id) {
    List<Chapter> settled = marks.chapters(id);
    if (!settled.isEmpty()) {
      return new ChapterList(true, settled);
    }
    Transcript transcript = episodes.transcript(id).transcript();
    return new ChapterList(
        false, ChapterFinder.find(transcript, SnowballForms.of(transcript.language())));
  }

  /** Settles the chapters; none means that they are proposed again. */
  @PutMapping("/chapters")
  ChapterList settle(@PathVariable long id, @RequestBody List<Chapter> asked) {
    if (asked.stream().anyMatch(c -> c.title().isBlank() || c.startUs() < 0)) {
      throw new IllegalArgumentException("A chapter needs a title and a time.");
    }
    marks.settle(id, asked);
    return chapters(id);
  }

  @GetMapping("/chapters/file")
  ResponseEntity<byte[]> chapterFile(
      @PathVariable long id, @RequestParam(defaultValue = "txt") String format) {
    List<Chapter> chapters = chapters(id).chapters();
    long duration = episodes.row(id).durationUs();
    return switch (format) {
      case "vtt" -> file(ChapterText.webVtt(chapters, duration), "chapters.vtt");
      case "ffmetadata" ->
          file(ChapterText.ffmpegMetadata(chapters, duration), "chapters.ffmetadata");
      default -> file(ChapterText.list(chapters), "chapters.txt");
    };
  }

  private static ResponseEntity<byte[]> file(String text, String name) {
    return ResponseEntity.ok()
        .header("Content-Type", "text/plain;charset=UTF-8")
        .header("Content-Disposition", Attachment.named(name).toString())
        .body(text.getBytes(StandardCharsets.UTF_8));
  }
}
