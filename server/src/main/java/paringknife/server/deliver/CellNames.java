package paringknife.server.deliver;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.FileNames;
import paringknife.core.deliver.NamePattern;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;

/** What the files of an episode's cells are called now, each by a name of its own. */
@Component
class CellNames {
  private final Episodes episodes;
  private final ClipStore clips;
  private final NamePatterns patterns;

  CellNames(Episodes episodes, ClipStore clips, NamePatterns patterns) {
    this.episodes = episodes;
    this.clips = clips;
    this.patterns = patterns;
  }

  /** A cell of the sheet. */
  record Cell(long clipId, String spec) {}

  Map<Cell, String> of(long episodeId) {
    return of(episodeId, patterns.of(episodes.row(episodeId).show()));
  }

  /** What they would be called by another pattern. */
  Map<Cell, String> of(long episodeId, NamePattern pattern) {
    EpisodeStore.Row row = episodes.row(episodeId);
    Episode episode = episodes.open(episodeId);
    FileNames given = new FileNames();
    Map<Cell, String> names = new HashMap<>();
    List<ClipStore.StoredClip> all = clips.ofEpisode(episodeId);
    for (int n = 0; n < all.size(); n++) {
      ClipStore.StoredClip clip = all.get(n);
      Map<NamePattern.Field, String> values = valuesOf(pattern, row, episode, clip, n + 1);
      for (DeliverySpec spec : episode.specs().all()) {
        values.put(NamePattern.Field.SPEC, spec.id());
        values.put(NamePattern.Field.SIZE, spec.canvas().width() + "x" + spec.canvas().height());
        names.put(new Cell(clip.id(), spec.id()), given.unique(pattern.name(values)));
      }
    }
    return names;
  }

  private static Map<NamePattern.Field, String> valuesOf(
      NamePattern pattern,
      EpisodeStore.Row row,
      Episode episode,
      ClipStore.StoredClip clip,
      int number) {
    Map<NamePattern.Field, String> values = new EnumMap<>(NamePattern.Field.class);
    values.put(NamePattern.Field.SHOW, row.show());
    values.put(NamePattern.Field.EPISODE, row.title());
    values.put(NamePattern.Field.CLIP, clip.document().title());
    values.put(NamePattern.Field.NUMBER, String.format(Locale.ROOT, "%02d", number));
    values.put(NamePattern.Field.DATE, LocalDate.now(ZoneOffset.UTC).toString());
    if (pattern.uses(NamePattern.Field.LENGTH)) {
      long lengthUs = episode.editor().lengthUs(clip.document().pared());
      values.put(NamePattern.Field.LENGTH, Math.round(lengthUs / 1e6) + "s");
    }
    return values;
  }
}
