package paringknife.server.episodes;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What an episode is made of.
 *
 * @param camera the recording with the picture, or the only one
 * @param transcript a transcript handed over with it; null for none
 * @param microphones recordings that are heard instead of the camera's sound; often none
 */
public record EpisodeSource(
    String show,
    String title,
    Path camera,
    @Nullable Path transcript,
    List<Microphone> microphones) {
  private static final JsonMapper JSON = new JsonMapper();

  /** A separate recording of the sound, and whose it is; the speaker may be blank. */
  public record Microphone(Path file, String speaker) {}

  public EpisodeSource {
    microphones = List.copyOf(microphones);
  }

  /** Reads an {@code episode.json}; names in it are relative to its folder and may not leave it. */
  public static EpisodeSource read(Path manifest) {
    try {
      JsonNode root = JSON.readTree(Files.readAllBytes(manifest));
      Path folder = manifest.toAbsolutePath().normalize().getParent();
      List<Microphone> microphones = new ArrayList<>();
      for (JsonNode node : root.path("microphones")) {
        microphones.add(
            new Microphone(
                inside(folder, node.path("file").asString()), node.path("speaker").asString("")));
      }
      return new EpisodeSource(
          root.path("show").asString(""),
          root.path("title").asString(""),
          inside(folder, root.path("camera").asString()),
          root.hasNonNull("transcript") ? inside(folder, root.path("transcript").asString()) : null,
          microphones);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (JacksonException e) {
      throw new IllegalArgumentException(manifest + " is not a description of an episode", e);
    }
  }

  private static Path inside(Path folder, String name) {
    Path path = folder.resolve(name).normalize();
    if (!path.startsWith(folder)) {
      throw new IllegalArgumentException(name + " leaves the folder of its episode");
    }
    return path;
  }
}
