package paringknife.server.deliver;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.springframework.stereotype.Component;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.DeliverySpec;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.DataFolder;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.NotYet;

/** Finished files that may go out: of the clip as it is now, and right. */
@Component
public class ReadyCells {
  private final RenderingStore renderings;
  private final PlannedCells planned;
  private final Episodes episodes;
  private final DataFolder data;

  ReadyCells(RenderingStore renderings, PlannedCells planned, Episodes episodes, DataFolder data) {
    this.renderings = renderings;
    this.planned = planned;
    this.episodes = episodes;
    this.data = data;
  }

  /**
   * The finished file of a clip for a spec.
   *
   * @throws NotYet saying what is still to be done
   */
  public Path file(ClipStore.StoredClip clip, DeliverySpec spec) {
    Optional<RenderingStore.Row> found =
        renderings.ofEpisode(clip.episodeId()).stream()
            .filter(r -> r.clipId() == clip.id() && r.spec().equals(spec.id()))
            .findFirst();
    if (found.isEmpty()) {
      throw new NotYet("it has not been rendered");
    }
    RenderingStore.Row row = found.get();
    if (row.state().isUnderWay()) {
      throw new NotYet("it is being rendered");
    }
    if (row.state() != RenderState.DONE) {
      throw new NotYet("its rendering failed or was cancelled");
    }
    PlannedCells.Clip plan = planned.of(clip, episodes.standing(clip.episodeId()));
    if (!row.fingerprint().equals(plan.fingerprint(spec.id()))) {
      throw new NotYet("it has changed since it was rendered");
    }
    if (!Check.pass(row.measuredFor(clip.document().delivered()))) {
      throw new NotYet("its finished file is not right");
    }
    return row.finishedIn(data)
        .filter(Files::exists)
        .orElseThrow(() -> new NotYet("its finished file is gone"));
  }
}
