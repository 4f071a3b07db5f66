package paringknife.server.episodes;

import java.nio.file.Path;
import paringknife.core.deliver.KeptPieces;

/**
 * Where everything lies that is not in the database.
 *
 * @param root of all of it
 * @param media the folder from which recordings may be taken without a copy
 */
public record DataFolder(Path root, Path media) {
  public EpisodeFolder episode(long id) {
    return new EpisodeFolder(root.resolve("episodes").resolve(Long.toString(id)));
  }

  public Path finished(long clipId, String spec) {
    return finishedFolder()
        .resolve(
            clipId
                + "_"
                + spec
                + (KeptPieces.byId(spec).map(KeptPieces::each).orElse(false) ? ".zip" : ".mp4"));
  }

  public Path finishedFolder() {
    return root.resolve("finished");
  }

  public Path fonts() {
    return root.resolve("fonts");
  }

  public Path uploads() {
    return media.resolve("uploads");
  }
}
