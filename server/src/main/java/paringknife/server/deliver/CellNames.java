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
import paringknife.core.deliver.NamePattern.Field;
import paringknife.server.clips.ClipStore;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.shows.ShowPatterns;
import paringknife.server.specs.SpecStore;

/**
 * What the files of an episode's cells are called now, without their endings, each by a name of its
 * own. What is asked for comes first where several would have one name.
 */
@Component
public class CellNames {
  private final Episodes episodes;
  private final SpecStore specs;
  private final ShowPatterns patterns;

  CellNames(Episodes episodes, SpecStore specs, ShowPatterns patterns) {
    this.episodes = episodes;
    this.specs = specs;
    this.patterns = patterns;
  }

  /** A cell of the sheet. */
  public record Cell(long clipId, String spec) {}

  /**
   * By the pattern of the show.
   *
   * @param clips all of the episode
   */
  public Map<Cell, String> of(long episodeId, List<ClipStore.StoredClip> clips) {
    return of(episodeId, clips, patterns.names(episodes.row(episodeId).show()));
  }

  /** By another pattern. */
  Map<Cell, String> of(long episodeId, List<ClipStore.StoredClip> clips, NamePattern pattern) {
    EpisodeStore.Row row = episodes.row(episodeId);
    List<DeliverySpec> all = specs.all().all();
    FileNames given = new FileNames();
    Map<Cell, String> names = new HashMap<>();
    for (boolean asked : new boolean[] {true, false}) {
      for (int n = 0; n < clips.size(); n++) {
        ClipStore.StoredClip clip = clips.get(n);
        Map<Field, String> values = valuesOf(pattern, row, clip, n + 1);
        for (DeliverySpec spec : all) {
          if (clip.document().delivered().specs().contains(spec.id()) == asked) {
            values.put(Field.SPEC, spec.id());
            values.put(Field.SIZE, spec.canvas().width() + "x" + spec.canvas().height());
            names.put(new Cell(clip.id(), spec.id()), given.unique(pattern.name(values)));
          }
        }
      }
    }
    return names;
  }

  /** Only a length needs the episode to be open. */
  private Map<Field, String> valuesOf(
      NamePattern pattern, EpisodeStore.Row row, ClipStore.StoredClip clip, int number) {
    Map<Field, String> values = new EnumMap<>(Field.class);
    values.put(Field.SHOW, row.show());
    values.put(Field.EPISODE, row.title());
    values.put(Field.CLIP, clip.document().title());
    values.put(Field.NUMBER, String.format(Locale.ROOT, "%02d", number));
    values.put(Field.DATE, LocalDate.now(ZoneOffset.UTC).toString());
    if (pattern.uses(Field.LENGTH)) {
      long lengthUs = episodes.open(row.id()).editor().lengthUs(clip.document().pared());
      values.put(Field.LENGTH, Math.round(lengthUs / 1e6) + "s");
    }
    return values;
  }
}
