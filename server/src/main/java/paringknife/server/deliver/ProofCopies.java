package paringknife.server.deliver;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import paringknife.core.clip.ClipDocument;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.formats.TimedText;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.proof.ProofCopy;
import paringknife.core.proof.ProofWord;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.Episodes;

/** The small files of clips that are shown for a yes. */
@Component
public class ProofCopies {
  private final Episodes episodes;
  private final RenderingStore renderings;
  private final RenderOrders orders;
  private final PlannedCells planned;
  private final DataFolder data;

  ProofCopies(
      Episodes episodes,
      RenderingStore renderings,
      RenderOrders orders,
      PlannedCells planned,
      DataFolder data) {
    this.episodes = episodes;
    this.renderings = renderings;
    this.orders = orders;
    this.planned = planned;
    this.data = data;
  }

  /**
   * A clip's small file.
   *
   * @param state null when it was never asked for
   * @param progress of the one being made, 0 to 1
   * @param attempt names the file that is there; null while there is none
   * @param isCurrent whether the file, or the one being made, is of the clip as it is now
   */
  public record Copy(
      @Nullable RenderState state,
      double progress,
      @Nullable Integer attempt,
      boolean isCurrent,
      @Nullable String problem) {}

  static DeliverySpec specOf(String id, ClipDocument clip, Episode episode) {
    if (!id.equals(ProofCopy.ID)) {
      return episode.specs().byId(id);
    }
    DeliverySpecs specs = episode.specs();
    Optional<DeliverySpec> first =
        specs.among(clip.delivered().specs()).stream()
            .filter(s -> s.encoding().codec().hasPicture())
            .findFirst();
    return ProofCopy.spec(
        first
            .or(
                () ->
                    specs.all().stream()
                        .filter(s -> s.shape().isLike(clip.framed().shape()))
                        .findFirst())
            .map(DeliverySpec::canvas)
            .orElse(Canvas.of(clip.framed().shape())),
        specs.all().get(0).loudness(),
        ProofCopy.captions(
            clip.lettered().used(),
            first.map(DeliverySpec::captions).orElse(clip.lettered().used())));
  }

  private String fingerprint(ClipStore.StoredClip clip) {
    return planned.of(clip, episodes.standing(clip.episodeId())).proof();
  }

  /** Has the file made of the clip as it is now, where it is not there or under way. */
  public void make(ClipStore.StoredClip clip) {
    String fingerprint = fingerprint(clip);
    RenderingStore.Row row = row(clip.id()).orElse(null);
    boolean there =
        row != null
            && row.fingerprint().equals(fingerprint)
            && (row.state().isUnderWay()
                || row.state() == RenderState.DONE
                    && row.finishedIn(data).filter(Files::exists).isPresent());
    if (!there) {
      orders.order(
          List.of(new RenderOrders.Wanted(clip.id(), ProofCopy.ID, fingerprint, ProofCopy.ID, 0)));
    }
  }

  private Optional<RenderingStore.Row> row(long clipId) {
    return renderings.ofCell(clipId, ProofCopy.ID);
  }

  public Copy of(ClipStore.StoredClip clip) {
    return row(clip.id())
        .map(
            r ->
                new Copy(
                    r.state(),
                    r.progress(),
                    r.finishedAttempt(),
                    r.fingerprint().equals(fingerprint(clip)),
                    r.problem()))
        .orElse(new Copy(null, 0, null, false, null));
  }

  /** Names the files that are there, by clip. */
  public Map<Long, Integer> attempts(long episodeId) {
    return renderings.ofEpisode(episodeId).stream()
        .filter(r -> r.spec().equals(ProofCopy.ID) && r.finishedAttempt() != null)
        .collect(
            Collectors.toMap(
                RenderingStore.Row::clipId, r -> Objects.requireNonNull(r.finishedAttempt())));
  }

  /** Names the file that is there; empty while there is none. */
  public Optional<Integer> attempt(long clipId) {
    return row(clipId).map(RenderingStore.Row::finishedAttempt);
  }

  public Optional<Path> file(long clipId) {
    return row(clipId).flatMap(r -> r.finishedIn(data)).filter(Files::exists);
  }

  /** What is said in the file that is there. */
  public List<ProofWord> words(long clipId) {
    return row(clipId).map(r -> renderings.words(r.id())).orElse(List.of());
  }

  /** The captions of the file that is there, by language. */
  public Map<String, List<TimedText>> subtitles(long clipId) {
    return row(clipId).map(r -> renderings.subtitles(r.id())).orElse(Map.of());
  }
}
