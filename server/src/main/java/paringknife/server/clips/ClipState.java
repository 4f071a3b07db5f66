package paringknife.server.clips;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.Gap;
import paringknife.core.clip.cut.Reason;
import paringknife.core.clip.cut.Removal;
import paringknife.core.deliver.Delivered;
import paringknife.core.dress.LaidOver;
import paringknife.core.frame.Framed;
import paringknife.core.letter.Lettered;
import paringknife.core.listen.clean.Sounded;
import paringknife.core.pare.Pared;
import paringknife.core.pare.Parings;
import paringknife.core.pare.RemovalKind;
import paringknife.core.time.Span;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Transcript;
import paringknife.server.episodes.Episode;

/** A clip as the browser shows it, section by section. */
public record ClipState(
    long id,
    long episodeId,
    int revision,
    @Nullable String undo,
    @Nullable String redo,
    ParedState pared,
    Framed framed,
    Lettered lettered,
    LaidOver laidOver,
    Sounded sounded,
    Delivered delivered) {

  /**
   * What plays of a clip; all times in microseconds on the episode's clock.
   *
   * @param firstWord index of its first word
   * @param lastWord index of its last word, included
   * @param pieces the words of each stretch, in playing order
   * @param gaps room tone put in, in playing order
   * @param kept what plays, in order
   * @param cut what was left out
   */
  public record ParedState(
      int firstWord,
      int lastWord,
      List<Span> stretches,
      List<Passage> pieces,
      double speed,
      List<GapShown> gaps,
      List<Removal> removals,
      List<Span> kept,
      List<Span> cut,
      long originalUs,
      long lengthUs,
      List<Paring> parings) {}

  /** One reason's share of what was taken out. */
  public record Paring(Reason reason, String called, int count, long us) {}

  /**
   * Room tone put in.
   *
   * @param word index of the word after which it stands in the text; -1 before all
   * @param after index of the kept span it follows; -1 before the first
   */
  public record GapShown(long id, int word, int after, long lengthUs) {}

  static ClipState of(ClipStore.StoredClip clip, Episode episode) {
    ClipDocument document = clip.document();
    return new ClipState(
        clip.id(),
        clip.episodeId(),
        clip.revision(),
        clip.undo(),
        clip.redo(),
        pared(document.pared(), episode),
        document.framed(),
        document.lettered(),
        document.laidOver(),
        document.sounded(),
        document.delivered());
  }

  private static ParedState pared(Pared pared, Episode episode) {
    CutList cuts = episode.editor().cuts(pared);
    Parings parings = Parings.of(pared, cuts);
    long start = pared.stretches().stream().mapToLong(Span::startUs).min().orElse(0);
    long end = pared.stretches().stream().mapToLong(Span::endUs).max().orElse(0);
    int first = episode.transcript().firstEndingAfter(start);
    int after = episode.transcript().firstEndingAfter(end);
    return new ParedState(
        first,
        Math.max(first, after - 1),
        pared.stretches(),
        episode.stretches().pieces(pared),
        pared.speed(),
        gaps(pared, cuts, episode.transcript()),
        pared.removals(),
        cuts.kept(),
        cuts.cut(),
        parings.originalUs(),
        pared.playedUs(parings.lengthUs()),
        RemovalKind.ALL.stream()
            .filter(kind -> parings.byReason().containsKey(kind.reason()))
            .map(kind -> paring(kind, parings.byReason().get(kind.reason())))
            .toList());
  }

  private static Paring paring(RemovalKind kind, Parings.Total total) {
    return new Paring(kind.reason(), kind.called(), total.count(), total.us());
  }

  private static List<GapShown> gaps(Pared pared, CutList cuts, Transcript transcript) {
    Map<Long, Long> places = pared.gaps().stream().collect(Collectors.toMap(Gap::id, Gap::atUs));
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
}
