package paringknife.server.deliver;

import java.nio.file.Path;
import paringknife.core.clip.Composition;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.DataFolder;

/**
 * A cell that is being rendered.
 *
 * @param target where its file will be
 */
record CellInHand(RenderingStore.Row row, Composition composition, Path target) {
  static CellInHand of(RenderingStore.Row row, Composition composition, DataFolder data) {
    return new CellInHand(
        row,
        composition,
        data.finished(
            row.clipId(),
            row.spec(),
            row.attempt(),
            composition.spec().encoding().codec().extension()));
  }

  ClipRenderer.Wanted wanted() {
    return new ClipRenderer.Wanted(composition, target);
  }

  /** How much there is to encode of it, beside other cells of the same clip. */
  double pixels() {
    return (double) composition.spec().canvas().width() * composition.spec().canvas().height();
  }
}
