package paringknife.server.deliver;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
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
import paringknife.core.deliver.PatternNames;
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
    return of(episodes.row(episodeId), clips);
  }

  /** The same of an episode whose row is known. */
  Map<Cell, String> of(EpisodeStore.Row episode, List<ClipStore.StoredClip> clips) {
    return of(episode, clips, patterns.names(episode.show()));
  }

  /** By another pattern. */
  Map<Cell, String> of(
      EpisodeStore.Row episode, List<ClipStore.StoredClip> clips, NamePattern pattern) {
    List<DeliverySpec> all = specs.all().all();
    List<Map<Field, String>> values = valuesOf(pattern, episode, clips);
    FileNames given = new FileNames();
    PatternNames named = new PatternNames(pattern);
    Map<Cell, String> names = new HashMap<>();
    for (boolean asked : new boolean[] {true, false}) {
      for (int n = 0; n < clips.size(); n++) {
        ClipStore.StoredClip clip = clips.get(n);
        Map<Field, String> ofClip = values.get(n);
        for (DeliverySpec spec : all) {
          if (clip.document().delivered().specs().contains(spec.id()) == asked) {
            ofClip.put(Field.SPEC, spec.id());
            ofClip.put(Field.SIZE, spec.canvas().width() + "x" + spec.canvas().height());
            names.put(new Cell(clip.id(), spec.id()), given.unique(named.of(ofClip)));
          }
        }
      }
    }
    return names;
  }

  /** Only a length needs the episode to be open. */
  private List<Map<Field, String>> valuesOf(
      NamePattern pattern, EpisodeStore.Row episode, List<ClipStore.StoredClip> clips) {
    boolean tellsLength = pattern.uses(Field.LENGTH);
    String today = LocalDate.now(ZoneOffset.UTC).toString();
    List<Map<Field, String>> all = new ArrayList<>();
    for (ClipStore.StoredClip clip : clips) {
      Map<Field, String> values = new EnumMap<>(Field.class);
      values.put(Field.SHOW, episode.show());
      values.put(Field.EPISODE, episode.title());
      values.put(Field.CLIP, clip.document().title());
      values.put(Field.NUMBER, String.format(Locale.ROOT, "%02d", all.size() + 1));
      values.put(Field.DATE, today);
      if (tellsLength) {
        long lengthUs = episodes.open(episode.id()).editor().lengthUs(clip.document().pared());
        values.put(Field.LENGTH, Math.round(lengthUs / 1e6) + "s");
      }
      all.add(values);
    }
    return all;
  }
}
