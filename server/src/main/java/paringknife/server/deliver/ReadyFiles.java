package paringknife.server.deliver;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.FileNames;
import paringknife.core.deliver.KeptPieces;
import paringknife.core.deliver.post.Post;
import paringknife.core.deliver.post.PostTexts;
import paringknife.core.deliver.post.PostsCsv;
import paringknife.core.proof.ProofCopy;
import paringknife.server.clips.ClipPosts;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.DataFolder;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.specs.SpecStore;

/** The finished files of an episode under the names they have now, and what is told of them. */
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
   */
  record ReadyFile(RenderingStore.Row row, Path path, String name) {
    String fileName() {
      return name + "." + row.finishedAs();
    }
  }

  /** Those of the present clips, kept pieces and what is only shown for a yes apart. */
  List<ReadyFile> of(long episodeId) {
    Map<CellNames.Cell, String> now = names.of(episodeId, clips.ofEpisode(episodeId));
    FileNames given = new FileNames();
    List<ReadyFile> ready = new ArrayList<>();
    for (RenderingStore.Row row : renderings.ofEpisode(episodeId)) {
      Optional<Path> path = delivered(row);
      if (path.isPresent()) {
        // A spec that is there no more has no cell; its file keeps the name it was ordered under.
        String name =
            now.getOrDefault(new CellNames.Cell(row.clipId(), row.spec()), row.fileName());
        ready.add(new ReadyFile(row, path.get(), given.unique(name)));
      }
    }
    return ready;
  }

  private Optional<Path> delivered(RenderingStore.Row row) {
    boolean isDelivery =
        row.state() == RenderState.DONE
            && KeptPieces.byId(row.spec()).isEmpty()
            && !row.spec().equals(ProofCopy.ID);
    return isDelivery ? row.finishedIn(data).filter(Files::exists) : Optional.empty();
  }

  /** The texts that go with files, as a table and as a page that prints well. */
  record Told(String csv, String html) {}

  Told told(long episodeId, List<ReadyFile> files) {
    EpisodeStore.Row episode = episodes.row(episodeId);
    PostsCsv table = new PostsCsv();
    DeliveryReport report = new DeliveryReport();
    Map<Long, Post> ofClips = new HashMap<>();
    for (ReadyFile file : files) {
      RenderingStore.Row row = file.row();
      DeliverySpec spec = specs.all().find(row.spec()).orElse(null);
      if (spec != null) {
        ClipStore.StoredClip clip = clips.byId(row.clipId());
        Post post = ofClips.computeIfAbsent(clip.id(), id -> posts.of(clip));
        PostTexts texts = spec.texts().of(clip.document().title(), post);
        table.add(file.fileName(), spec.name(), texts);
        report.add(file.fileName(), spec.name(), row.fileBytes(), row.checks(), texts);
      }
    }
    return new Told(table.text(), report.html(episode.show() + ": " + episode.title()));
  }
}
