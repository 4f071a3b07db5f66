package paringknife.server.deliver;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.Episodes;

/** The clips of an episode by delivery specs. */
@Service
class DeliverySheet {
  /** Before this share of a rendering is done, its rest time is a guess. */
  private static final double TOO_EARLY = 0.03;

  private final Episodes episodes;
  private final ClipStore clips;
  private final RenderingStore renderings;
  private final PlannedCells planned;
  private final RenderOrders orders;
  private final CellNames cellNames;

  DeliverySheet(
      Episodes episodes,
      ClipStore clips,
      RenderingStore renderings,
      PlannedCells planned,
      RenderOrders orders,
      CellNames cellNames) {
    this.episodes = episodes;
    this.clips = clips;
    this.renderings = renderings;
    this.planned = planned;
    this.orders = orders;
    this.cellNames = cellNames;
  }

  /**
   * Clips by specs.
   *
   * @param shipped ids of the specs that ship, which stay as they are
   */
  record Sheet(List<DeliverySpec> specs, List<String> shipped, List<Line> lines) {}

  /** One clip of the sheet. */
  record Line(
      long clipId, String title, long lengthUs, long originalUs, int revision, List<Cell> cells) {}

  /**
   * A clip for a spec.
   *
   * @param current whether the finished file is of the clip as it is now
   * @param fileName with its ending
   * @param secondsLeft rest time of a rendering; null when not known
   */
  record Cell(
      String spec,
      boolean asked,
      boolean passes,
      List<Check> checks,
      @Nullable Long renderingId,
      @Nullable RenderState state,
      boolean current,
      double progress,
      @Nullable Long secondsLeft,
      long bytes,
      String fileName,
      List<Check> measured,
      @Nullable String problem) {}

  Sheet of(long episodeId) {
    Episode episode = episodes.open(episodeId);
    Map<String, RenderingStore.Row> rows = rows(episodeId);
    List<ClipStore.StoredClip> all = clips.ofEpisode(episodeId);
    Map<CellNames.Cell, String> names = cellNames.of(episodeId, all);
    List<Line> lines = new ArrayList<>();
    for (ClipStore.StoredClip clip : all) {
      PlannedCells.Clip plan = planned.of(clip, episode);
      Delivered delivered = clip.document().delivered();
      List<Cell> cells = new ArrayList<>();
      for (PlannedCells.Cell cell : plan.cells()) {
        String id = cell.spec().id();
        String name = names.getOrDefault(new CellNames.Cell(clip.id(), id), id);
        boolean asked = delivered.specs().contains(id);
        String ending = cell.spec().encoding().codec().extension();
        cells.add(cell(cell, asked, name + "." + ending, rows.get(key(clip.id(), id))));
      }
      lines.add(
          new Line(
              clip.id(),
              delivered.title(),
              plan.lengthUs(),
              clip.document().pared().originalUs(),
              clip.revision(),
              cells));
    }
    return new Sheet(
        episode.specs().all(),
        DeliverySpecs.SHIPPED.all().stream().map(DeliverySpec::id).toList(),
        lines);
  }

  private Map<String, RenderingStore.Row> rows(long episodeId) {
    return renderings.ofEpisode(episodeId).stream()
        .collect(Collectors.toMap(r -> key(r.clipId(), r.spec()), Function.identity()));
  }

  private static String key(long clipId, String spec) {
    return clipId + " " + spec;
  }

  private static Cell cell(
      PlannedCells.Cell cell, boolean asked, String name, RenderingStore.@Nullable Row row) {
    return new Cell(
        cell.spec().id(),
        asked,
        cell.passes(),
        cell.checks(),
        row == null ? null : row.id(),
        row == null ? null : row.state(),
        row != null && row.fingerprint().equals(cell.fingerprint()),
        row == null ? 0 : row.progress(),
        row == null ? null : secondsLeft(row),
        row == null ? 0 : row.fileBytes(),
        name,
        row == null ? List.of() : row.checks(),
        row == null ? null : row.problem());
  }

  private static @Nullable Long secondsLeft(RenderingStore.Row row) {
    if (row.state() != RenderState.RENDERING
        || row.startedAt() == null
        || row.progress() < TOO_EARLY) {
      return null;
    }
    double spent = Duration.between(row.startedAt(), Instant.now()).toMillis() / 1000.0;
    return Math.round(spent / row.progress() * (1 - row.progress()));
  }

  /** Orders every asked cell that passes and is not finished as it is now; answers how many. */
  int orderAll(long episodeId) {
    Episode episode = episodes.open(episodeId);
    List<ClipStore.StoredClip> all = clips.ofEpisode(episodeId);
    Map<CellNames.Cell, String> names = cellNames.of(episodeId, all);
    Map<Long, ClipStore.StoredClip> byId =
        all.stream().collect(Collectors.toMap(ClipStore.StoredClip::id, Function.identity()));
    int ordered = 0;
    for (Line line : of(episodeId).lines()) {
      ClipStore.StoredClip clip = byId.get(line.clipId());
      for (Cell cell : line.cells()) {
        if (clip != null && isWanted(cell)) {
          orders.order(
              line.clipId(),
              cell.spec(),
              fingerprint(planned.of(clip, episode), cell.spec()),
              names.get(new CellNames.Cell(line.clipId(), cell.spec())));
          ordered++;
        }
      }
    }
    return ordered;
  }

  private static boolean isWanted(Cell cell) {
    boolean done = cell.state() == RenderState.DONE && cell.current();
    boolean busy = cell.state() != null && cell.state().isUnderWay() && cell.current();
    return cell.asked() && cell.passes() && !done && !busy;
  }

  private static String fingerprint(PlannedCells.Clip plan, String spec) {
    return plan.cells().stream()
        .filter(c -> c.spec().id().equals(spec))
        .findFirst()
        .orElseThrow()
        .fingerprint();
  }
}
