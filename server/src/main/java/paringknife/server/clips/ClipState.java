package paringknife.server.clips;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.pare.ClipDocument;
import paringknife.core.pare.CutList;
import paringknife.core.pare.Framing;
import paringknife.core.pare.Gap;
import paringknife.core.pare.Parings;
import paringknife.core.pare.Reason;
import paringknife.core.pare.Removal;
import paringknife.core.time.Span;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Transcript;
import paringknife.server.episodes.Episode;

/**
 * A clip as the browser shows it; all times in microseconds on the episode's clock.
 *
 * @param firstWord index of its first word
 * @param lastWord index of its last word, included
 * @param pieces the words of each stretch, in playing order
 * @param gaps room tone put in, in playing order
 * @param kept what plays, in order
 * @param cut what was left out
 */
public record ClipState(
    long id,
    long episodeId,
    int revision,
    @Nullable String undo,
    @Nullable String redo,
    String title,
    int firstWord,
    int lastWord,
    List<Span> stretches,
    List<Passage> pieces,
    String shape,
    Framing framing,
    String lettering,
    List<String> specs,
    double speed,
    List<GapShown> gaps,
    Cleanup cleanup,
    List<Removal> removals,
    List<Span> kept,
    List<Span> cut,
    long originalUs,
    long lengthUs,
    List<Paring> parings) {

  /** One reason's share of what was taken out. */
  public record Paring(Reason reason, String name, int count, long us) {}

  /**
   * Room tone put in.
   *
   * @param word index of the word after which it stands in the text; -1 before all
   * @param after index of the kept span it follows; -1 before the first
   */
  public record GapShown(long id, int word, int after, long lengthUs) {}

  private static List<GapShown> gaps(ClipDocument clip, CutList cuts, Transcript transcript) {
    Map<Long, Long> places =
        clip.settings().gaps().stream().collect(Collectors.toMap(Gap::id, Gap::atUs));
    return cuts.gaps().stream()
        .map(
            g ->
                new GapShown(
                    g.id(),
                    transcript.firstEndingAfter(places.getOrDefault(g.id(), 0L)) - 1,
                    g.after(),
                    g.lengthUs()))
        .toList();
  }

  static ClipState of(ClipStore.StoredClip clip, Episode episode) {
    CutList cuts = episode.editor().cuts(clip.document());
    Parings parings = Parings.of(clip.document(), cuts);
    var settings = clip.document().settings();
    long start = settings.stretches().stream().mapToLong(Span::startUs).min().orElse(0);
    long end = settings.stretches().stream().mapToLong(Span::endUs).max().orElse(0);
    int first = episode.transcript().firstEndingAfter(start);
    int after = episode.transcript().firstEndingAfter(end);
    return new ClipState(
        clip.id(),
        clip.episodeId(),
        clip.revision(),
        clip.undo(),
        clip.redo(),
        settings.title(),
        first,
        Math.max(first, after - 1),
        settings.stretches(),
        episode.stretches().pieces(clip.document()),
        settings.shape(),
        settings.framing(),
        settings.lettering(),
        settings.specs(),
        settings.speed(),
        gaps(clip.document(), cuts, episode.transcript()),
        settings.cleanup(),
        clip.document().removals(),
        cuts.kept(),
        cuts.cut(),
        parings.originalUs(),
        Math.round(parings.lengthUs() / settings.speed()),
        Arrays.stream(Reason.values())
            .filter(parings.byReason()::containsKey)
            .map(
                r ->
                    new Paring(
                        r,
                        r.name().toLowerCase(Locale.ROOT),
                        parings.byReason().get(r).count(),
                        parings.byReason().get(r).us()))
            .toList());
  }
}
