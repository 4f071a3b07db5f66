package paringknife.server.deliver;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import paringknife.core.clip.Composition;
import paringknife.core.deliver.Check;
import paringknife.core.formats.TimedText;
import paringknife.core.proof.ProofCopy;
import paringknife.core.proof.ProofWord;
import paringknife.media.ffmpeg.Measurement;
import paringknife.media.process.Interrupted;
import paringknife.media.store.WholeFile;
import paringknife.server.clips.ClipStore;
import paringknife.server.cover.Covers;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;

/** Goes through files that have been rendered, and puts them in the place of those of before. */
@Component
class CellFinisher {
  private static final Logger LOG = LoggerFactory.getLogger(CellFinisher.class);

  private final RenderingStore renderings;
  private final ClipRenderer renderer;
  private final Covers covers;
  private final DataFolder data;

  CellFinisher(RenderingStore renderings, ClipRenderer renderer, Covers covers, DataFolder data) {
    this.renderings = renderings;
    this.renderer = renderer;
    this.covers = covers;
    this.data = data;
  }

  /**
   * Finishes a cell.
   *
   * @param goingThrough told how much of its file has been gone through, 0 to 1
   * @throws NotWanted when its order was cancelled or overtaken; its file is gone then
   */
  void finish(
      CellInHand cell, ClipStore.StoredClip clip, Episode episode, DoubleConsumer goingThrough) {
    Composition composition = cell.composition();
    boolean isProof = cell.row().spec().equals(ProofCopy.ID);
    finish(
        cell.row(),
        cell.target(),
        renderer.checked(composition, cell.target(), Measurement.of(cell.target(), goingThrough)),
        composition.subtitles(),
        isProof ? ProofWord.of(composition.playback(), episode.transcript()) : List.of());
    if (!isProof) {
      makeCover(clip, episode, composition);
    }
  }

  /** Finishes what has no composition. */
  void finish(RenderingStore.Row row, Path target) {
    finish(row, target, List.of(), Map.of(), List.of());
  }

  private void finish(
      RenderingStore.Row row,
      Path target,
      List<Check> checks,
      Map<String, List<TimedText>> subtitles,
      List<ProofWord> words) {
    if (!renderings.finish(row.present(), target, checks, subtitles, words)) {
      WholeFile.remove(target);
      throw new NotWanted();
    }
    Integer before = row.finishedAttempt();
    if (before != null && before != row.attempt()) {
      row.finishedIn(data).ifPresent(WholeFile::remove);
    }
  }

  /** Before somebody waits for it; where it does not succeed, it is made when it is asked for. */
  private void makeCover(ClipStore.StoredClip clip, Episode episode, Composition composition) {
    try {
      covers.picture(clip, episode, composition.spec(), clip.document().delivered().cover());
    } catch (Interrupted e) {
      throw e;
    } catch (RuntimeException e) {
      LOG.info("no cover was made of clip {}: {}", clip.id(), e.toString());
    }
  }
}
