package paringknife.server.out;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.FileNames;
import paringknife.core.deliver.KeptPieces;
import paringknife.core.deliver.post.Post;
import paringknife.core.deliver.post.PostTexts;
import paringknife.core.deliver.post.PostsCsv;
import paringknife.core.deliver.post.PostsText;
import paringknife.core.proof.ProofCopy;
import paringknife.server.clips.ClipPosts;
import paringknife.server.clips.ClipStore;
import paringknife.server.deliver.CellNames;
import paringknife.server.deliver.RenderState;
import paringknife.server.deliver.RenderingStore;
import paringknife.server.episodes.DataFolder;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.specs.SpecStore;

/**
 * The finished files of an episode under the names they have now, whether they are right, and what
 * is told of them.
 */
@Component
class ReadyFiles {
  private final Episodes episodes;
  private final RenderingStore renderings;
  private final DataFolder data;
  private final CellNames names;
  private final ClipStore clips;
  private final ClipPosts posts;
  private final SpecStore specs;

  ReadyFiles(
      Episodes episodes,
      RenderingStore renderings,
      DataFolder data,
      CellNames names,
      ClipStore clips,
      ClipPosts posts,
      SpecStore specs) {
    this.episodes = episodes;
    this.renderings = renderings;
    this.data = data;
    this.names = names;
    this.clips = clips;
    this.posts = posts;
    this.specs = specs;
  }

  /**
   * A finished file.
   *
   * @param name without its ending
   * @param measured what was measured of it, as far as it is not let pass
   */
  record ReadyFile(RenderingStore.Row row, Path path, String name, List<Check> measured) {
    /** Whether it may go out. */
    boolean isRight() {
      return Check.pass(measured);
    }

    String fileName() {
      return name + "." + row.finishedAs();
    }
  }

  /** Those of the present clips, kept pieces and what is only shown for a yes apart. */
  List<ReadyFile> of(long episodeId) {
    List<ClipStore.StoredClip> all = clips.ofEpisode(episodeId);
    Map<Long, Delivered> delivered =
        all.stream()
            .collect(Collectors.toMap(ClipStore.StoredClip::id, c -> c.document().delivered()));
    Map<CellNames.Cell, String> now = names.of(episodeId, all);
    FileNames given = new FileNames();
    List<ReadyFile> ready = new ArrayList<>();
    for (RenderingStore.Row row : renderings.ofEpisode(episodeId)) {
      Optional<Path> path = fileOf(row);
      Delivered ofClip = delivered.get(row.clipId());
      if (path.isPresent() && ofClip != null) {
        // A spec that is there no more has no cell; its file keeps the name it was ordered under.
        String name =
            now.getOrDefault(new CellNames.Cell(row.clipId(), row.spec()), row.fileName());
        ready.add(new ReadyFile(row, path.get(), given.unique(name), row.measuredFor(ofClip)));
      }
    }
    return ready;
  }

  private Optional<Path> fileOf(RenderingStore.Row row) {
    boolean isDelivery =
        row.state() == RenderState.DONE
            && KeptPieces.byId(row.spec()).isEmpty()
            && !row.spec().equals(ProofCopy.ID);
    return isDelivery ? row.finishedIn(data).filter(Files::exists) : Optional.empty();
  }

  /** The texts that go with files, as a table, to be copied, and as a page that prints well. */
  record Told(String csv, String text, String html) {}

  Told told(long episodeId, List<ReadyFile> files) {
    EpisodeStore.Row episode = episodes.row(episodeId);
    PostsCsv table = new PostsCsv();
    PostsText text = new PostsText();
    DeliveryReport report = new DeliveryReport();
    Map<Long, Post> ofClips = new HashMap<>();
    for (ReadyFile file : files) {
      RenderingStore.Row row = file.row();
      DeliverySpec spec = specs.all().find(row.spec()).orElse(null);
      if (spec != null) {
        ClipStore.StoredClip clip = clips.byId(row.clipId());
        Post post = ofClips.computeIfAbsent(clip.id(), id -> posts.of(clip));
        PostTexts texts = spec.texts().of(clip.document().title(), post);
        if (file.isRight()) {
          table.add(file.fileName(), spec.name(), texts);
          text.add(file.fileName(), spec.name(), texts);
        }
        report.add(file.fileName(), spec.name(), row.fileBytes(), file.measured(), texts);
      }
    }
    return new Told(
        table.text(), text.text(), report.html(episode.show() + ": " + episode.title()));
  }
}
