package paringknife.server.deliver;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Component;
import paringknife.core.deliver.DeliverIntent;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.server.clips.ClipSteps;
import paringknife.server.clips.ClipStore;
import paringknife.server.specs.SpecStore;
import paringknife.server.web.Outdated;

/** Asks for many cells of a sheet at once, or no longer; each clip takes one step. */
@Component
class AskedCells {
  static final int MOST = 20_000;
  private static final int TRIES = 3;

  private final ClipStore clips;
  private final ClipSteps steps;
  private final SpecStore specs;

  AskedCells(ClipStore clips, ClipSteps steps, SpecStore specs) {
    this.clips = clips;
    this.steps = steps;
    this.specs = specs;
  }

  /** A clip for a spec. */
  record Tick(long clipId, String spec) {}

  void ask(List<Tick> cells, boolean asked) {
    if (cells.size() > MOST) {
      throw new IllegalArgumentException("Up to " + MOST + " cells can be ticked at once.");
    }
    DeliverySpecs known = specs.all();
    Map<Long, Set<String>> byClip = new LinkedHashMap<>();
    for (Tick cell : cells) {
      byClip
          .computeIfAbsent(cell.clipId(), id -> new LinkedHashSet<>())
          .add(known.byId(cell.spec()).id());
    }
    byClip.keySet().forEach(clips::byId);
    byClip.forEach((clip, changed) -> ask(clip, changed, asked, known));
  }

  /** Upon whatever the clip is by then. */
  private void ask(long id, Set<String> changed, boolean asked, DeliverySpecs known) {
    for (int i = 1; ; i++) {
      ClipStore.StoredClip clip = clips.byId(id);
      Delivered before = clip.document().delivered();
      Set<String> wanted = new LinkedHashSet<>();
      known.among(before.specs()).forEach(s -> wanted.add(s.id()));
      if (asked) {
        wanted.addAll(changed);
      } else {
        wanted.removeAll(changed);
      }
      DeliverIntent intent = new DeliverIntent.AskFor(List.copyOf(wanted));
      try {
        steps.take(clip, intent.label(), clip.document().with(intent.apply(before, known)));
        return;
      } catch (Outdated overtaken) {
        if (i == TRIES) {
          throw overtaken;
        }
      }
    }
  }
}
