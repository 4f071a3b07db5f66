package paringknife.server.deliver;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.Composition;
import paringknife.core.deliver.KeptPieces;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.process.Interrupted;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;
import paringknife.server.events.Throttle;

/**
 * Renders a cell together with those of the same clip that would come next: what plays is decoded
 * and joined once, and files are encoded side by side. Whoever renders leads; a cell that follows
 * is left alone by its own task as long as the leader is at work, and goes back to waiting when
 * that fails. After an error each is rendered by itself, and so is what is held to a size: it has
 * its pictures decoded for its own looks.
 */
@Component
class Companions {
  private static final Logger LOG = LoggerFactory.getLogger(Companions.class);

  private final RenderingStore renderings;
  private final Turns turns;
  private final QueueStore queue;
  private final ClipRenderer renderer;
  private final CellFinisher finisher;
  private final DataFolder data;

  Companions(
      RenderingStore renderings,
      Turns turns,
      QueueStore queue,
      ClipRenderer renderer,
      CellFinisher finisher,
      DataFolder data) {
    this.renderings = renderings;
    this.turns = turns;
    this.queue = queue;
    this.renderer = renderer;
    this.finisher = finisher;
    this.data = data;
  }

  /**
   * Begins a cell, and beside it those of the same clip that come next, and renders them.
   *
   * @return what came of the beginning; where it was not its turn, nothing was rendered
   */
  Turns.Turn render(
      CellInHand leader,
      String fingerprint,
      ClipStore.StoredClip clip,
      Episode episode,
      ComposedClip composed) {
    String task = RenderOrders.taskOf(leader.row().present());
    Map<Turns.Asked, CellInHand> others =
        isMadeAlone(leader.row(), leader.composition())
            ? Map.of()
            : next(leader, clip, episode, composed);
    Turns.Begun begun =
        turns.beginTogether(
            leader.row().clipId(),
            new Turns.Asked(leader.row().present(), fingerprint),
            List.copyOf(others.keySet()));
    if (begun.turn() != Turns.Turn.YOURS) {
      return begun.turn();
    }
    if (isThere(leader.row(), fingerprint)) {
      // Another one finished it after this one had looked.
      begun.followers().forEach(f -> turns.letGo(f, task));
      return Turns.Turn.WAIT;
    }
    List<CellInHand> cells = new ArrayList<>(List.of(leader));
    others.values().stream()
        .filter(c -> begun.followers().contains(c.row().present()))
        .forEach(cells::add);
    try {
      data.keepRoom();
      renderer.renderTogether(
          episode, cells.stream().map(CellInHand::wanted).toList(), reporting(cells));
    } catch (RuntimeException e) {
      cells.forEach(c -> turns.letGo(c.row().present(), task));
      throw e;
    }
    List<CellInHand> inTurn = new ArrayList<>(cells.subList(1, cells.size()));
    inTurn.add(leader);
    for (int i = 0; i < inTurn.size(); i++) {
      DoubleConsumer goingThrough = goingThrough(inTurn, i);
      if (inTurn.get(i) == leader) {
        finisher.finish(leader, clip, episode, goingThrough);
      } else {
        finishFollower(inTurn.get(i), task, clip, episode, goingThrough);
      }
    }
    return begun.turn();
  }

  private static boolean isMadeAlone(RenderingStore.Row row, Composition composition) {
    return row.errors() > 0 || composition.spec().encoding().limitsSize();
  }

  /** What can be made beside a cell: neither kept pieces nor what can be copied. */
  private Map<Turns.Asked, CellInHand> next(
      CellInHand leader, ClipStore.StoredClip clip, Episode episode, ComposedClip composed) {
    Map<Turns.Asked, CellInHand> next = new LinkedHashMap<>();
    String ofClip = Fingerprint.ofClip(episode, composed);
    for (RenderingStore.Row row : queue.around(leader.row(), Renderer.MOST_TOGETHER - 1)) {
      if (KeptPieces.byId(row.spec()).isPresent()) {
        continue;
      }
      try {
        Composition composition =
            composed.forSpec(ProofCopies.specOf(row.spec(), clip.document(), episode));
        String fingerprint = Fingerprint.of(ofClip, composition);
        if (!isMadeAlone(row, composition) && !isThere(row, fingerprint)) {
          next.put(
              new Turns.Asked(row.present(), fingerprint), CellInHand.of(row, composition, data));
        }
      } catch (IllegalArgumentException e) {
        LOG.info("{} is left to its own task, which will tell: {}", row.present(), e.getMessage());
      }
    }
    return next;
  }

  private boolean isThere(RenderingStore.Row row, String fingerprint) {
    return renderings.fileAlike(fingerprint, row.id(), data).isPresent();
  }

  /** What goes wrong with it is not the leader's: it is rendered by itself then. */
  private void finishFollower(
      CellInHand cell,
      String task,
      ClipStore.StoredClip clip,
      Episode episode,
      DoubleConsumer goingThrough) {
    try {
      finisher.finish(cell, clip, episode, goingThrough);
    } catch (NotWanted e) {
      LOG.info("rendering {} is not wanted any more", cell.row().present());
    } catch (Interrupted e) {
      turns.letGo(cell.row().present(), task);
      throw e;
    } catch (RuntimeException e) {
      LOG.warn("rendering {} failed beside another", cell.row().present(), e);
      renderings.countError(cell.row().present());
    }
  }

  /** Ends it when none of them is wanted any more. */
  private DoubleConsumer reporting(List<CellInHand> cells) {
    Throttle throttle = new Throttle();
    return share ->
        throttle.run(
            () -> {
              double progress = GroupProgress.encoding(share);
              long wanted =
                  cells.stream()
                      .filter(c -> renderings.progress(c.row().present(), progress))
                      .count();
              if (wanted == 0) {
                throw new NotWanted();
              }
            });
  }

  /** Told of how far the file of one is gone through, those that are not done yet are as far. */
  private DoubleConsumer goingThrough(List<CellInHand> inTurn, int present) {
    List<Double> pixels = inTurn.stream().map(CellInHand::pixels).toList();
    Throttle throttle = new Throttle();
    return share ->
        throttle.run(
            () -> {
              double gone = GroupProgress.goneThrough(pixels, present, share);
              inTurn.stream()
                  .skip(present)
                  .forEach(c -> renderings.progress(c.row().present(), gone));
            });
  }
}
