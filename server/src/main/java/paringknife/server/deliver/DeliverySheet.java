package paringknife.server.deliver;

import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.util.function.SingletonSupplier;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.server.clips.ClipStore;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.shelf.OnShelf;
import paringknife.server.specs.SpecStore;
import paringknife.server.web.NotThere;
import paringknife.server.web.NotYet;

/** The clips of an episode, or of a whole shelf, by delivery specs. */
@Service
class DeliverySheet {
  private final Episodes episodes;
  private final ClipStore clips;
  private final RenderingStore renderings;
  private final PlannedCells planned;
  private final RenderOrders orders;
  private final CellNames cellNames;
  private final SpecStore specs;
  private final OnShelf onShelf;
  private final QueueRest rest;

  DeliverySheet(
      Episodes episodes,
      ClipStore clips,
      RenderingStore renderings,
      PlannedCells planned,
      RenderOrders orders,
      CellNames cellNames,
      SpecStore specs,
      OnShelf onShelf,
      QueueRest rest) {
    this.specs = specs;
    this.onShelf = onShelf;
    this.rest = rest;
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
   * @param away titles of episodes whose clips cannot be seen now
   */
  record Sheet(
      List<DeliverySpec> specs, List<String> shipped, List<Line> lines, List<String> away) {}

  /**
   * One clip of the sheet.
   *
   * @param show of its episode
   * @param episode its title
   */
  record Line(
      long episodeId,
      String show,
      String episode,
      long clipId,
      String title,
      long lengthUs,
      long originalUs,
      int revision,
      List<Cell> cells) {}

  /**
   * A clip for a spec.
   *
   * @param current whether the finished file is of the clip as it is now
   * @param fileName with its ending
   * @param secondsLeft rest time of a rendering; null when not known
   * @param measured what was found of the finished file
   * @param right whether nothing of that fails, but for what is let pass
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
      boolean right,
      @Nullable String problem) {}

  /** The sheet of an episode. */
  Sheet of(long episodeId) {
    return sheet(lines(episodeId, SingletonSupplier.of(rest::now)), List.of());
  }

  /**
   * The sheet of all episodes on a shelf and on those that stand on it.
   *
   * @param shelf null for all that there are
   */
  Sheet ofShelf(@Nullable Long shelf) {
    List<EpisodeStore.Row> there = onShelf.all(shelf);
    Supplier<RestTimes> left = SingletonSupplier.of(rest::now);
    List<Optional<List<Line>>> seen =
        there.parallelStream().map(row -> linesIfSeen(row.id(), left)).toList();
    return sheet(
        seen.stream().flatMap(Optional::stream).flatMap(List::stream).toList(),
        IntStream.range(0, there.size())
            .filter(i -> seen.get(i).isEmpty())
            .mapToObj(i -> there.get(i).title())
            .toList());
  }

  private Optional<List<Line>> linesIfSeen(long episodeId, Supplier<RestTimes> left) {
    try {
      return Optional.of(lines(episodeId, left));
    } catch (NotYet | NotThere | UncheckedIOException e) {
      return Optional.empty();
    }
  }

  private Sheet sheet(List<Line> lines, List<String> away) {
    return new Sheet(
        specs.all().all(),
        DeliverySpecs.SHIPPED.all().stream().map(DeliverySpec::id).toList(),
        lines,
        away);
  }

  /**
   * @param queue asked only where something is rendered
   */
  private List<Line> lines(long episodeId, Supplier<RestTimes> queue) {
    Episodes.Standing standing = episodes.standing(episodeId);
    EpisodeStore.Row row = episodes.row(episodeId);
    Map<String, RenderingStore.Row> rows = rows(episodeId);
    List<ClipStore.StoredClip> all = clips.ofEpisode(episodeId);
    Map<CellNames.Cell, String> names = cellNames.of(row, all);
    planned.haveAtHand(all, standing);
    boolean renders = rows.values().stream().anyMatch(r -> r.state() == RenderState.RENDERING);
    RestTimes left = renders ? queue.get() : RestTimes.NONE;
    List<Line> lines = new ArrayList<>();
    for (ClipStore.StoredClip clip : all) {
      PlannedCells.Clip plan = planned.of(clip, standing);
      Delivered delivered = clip.document().delivered();
      List<Cell> cells = new ArrayList<>();
      for (PlannedCells.Cell cell : plan.cells()) {
        String id = cell.spec().id();
        String name = names.getOrDefault(new CellNames.Cell(clip.id(), id), id);
        boolean asked = delivered.specs().contains(id);
        String ending = cell.spec().encoding().codec().extension();
        RenderingStore.Row made = rows.get(key(clip.id(), id));
        List<Check> measured = made == null ? List.of() : made.measuredFor(delivered);
        cells.add(cell(cell, asked, name + "." + ending, made, left, measured));
      }
      lines.add(
          new Line(
              episodeId,
              row.show(),
              row.title(),
              clip.id(),
              delivered.title(),
              plan.lengthUs(),
              clip.document().pared().originalUs(),
              clip.revision(),
              cells));
    }
    return lines;
  }

  private Map<String, RenderingStore.Row> rows(long episodeId) {
    return renderings.ofEpisode(episodeId).stream()
        .collect(Collectors.toMap(r -> key(r.clipId(), r.spec()), Function.identity()));
  }

  private static String key(long clipId, String spec) {
    return clipId + " " + spec;
  }

  private static Cell cell(
      PlannedCells.Cell cell,
      boolean asked,
      String name,
      RenderingStore.@Nullable Row row,
      RestTimes left,
      List<Check> measured) {
    return new Cell(
        cell.spec().id(),
        asked,
        cell.passes(),
        cell.checks(),
        row == null ? null : row.id(),
        row == null ? null : row.state(),
        row != null && row.fingerprint().equals(cell.fingerprint()),
        row == null ? 0 : row.progress(),
        row == null || row.state() != RenderState.RENDERING ? null : left.seconds(row),
        row == null ? 0 : row.fileBytes(),
        name,
        measured,
        Check.pass(measured),
        row == null ? null : row.problem());
  }

  /**
   * Orders every asked cell that passes and is not finished, as it is now and right; answers how
   * many.
   */
  int orderAll(long episodeId) {
    List<RenderOrders.Wanted> wanted = wanted(episodeId);
    orders.order(wanted);
    return wanted.size();
  }

  /** The same for all episodes on a shelf; null for all that there are. */
  int orderAllOnShelf(@Nullable Long shelf) {
    List<RenderOrders.Wanted> wanted = new ArrayList<>();
    for (EpisodeStore.Row row : onShelf.all(shelf)) {
      if (episodes.isPlayable(row.id())) {
        wanted.addAll(wanted(row.id()));
      }
    }
    orders.order(wanted);
    return wanted.size();
  }

  private List<RenderOrders.Wanted> wanted(long episodeId) {
    Episodes.Standing standing = episodes.standing(episodeId);
    List<ClipStore.StoredClip> all = clips.ofEpisode(episodeId);
    Map<CellNames.Cell, String> names = cellNames.of(episodes.row(episodeId), all);
    Map<Long, ClipStore.StoredClip> byId =
        all.stream().collect(Collectors.toMap(ClipStore.StoredClip::id, Function.identity()));
    List<RenderOrders.Wanted> wanted = new ArrayList<>();
    for (Line line : lines(episodeId, () -> RestTimes.NONE)) {
      ClipStore.StoredClip clip = byId.get(line.clipId());
      for (Cell cell : line.cells()) {
        if (clip != null && isWanted(cell)) {
          PlannedCells.Clip plan = planned.of(clip, standing);
          wanted.add(
              new RenderOrders.Wanted(
                  line.clipId(),
                  cell.spec(),
                  plan.fingerprint(cell.spec()),
                  names.get(new CellNames.Cell(line.clipId(), cell.spec())),
                  plan.work(standing.specs().find(cell.spec()).orElseThrow())));
        }
      }
    }
    return wanted;
  }

  private static boolean isWanted(Cell cell) {
    boolean done = cell.state() == RenderState.DONE && cell.current() && cell.right();
    boolean busy = cell.state() != null && cell.state().isUnderWay() && cell.current();
    return cell.asked() && cell.passes() && !done && !busy;
  }
}
