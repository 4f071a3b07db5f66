package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.time.Duration;
import paringknife.core.deliver.FileForm;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads how finished files are coded. */
final class FileForms {
  private static final Duration LIMIT = Duration.ofMinutes(1);
  private static final JsonMapper JSON = new JsonMapper();
  private static final JsonNode NONE = JSON.createObjectNode();

  private FileForms() {}

  static FileForm of(Path file) {
    JsonNode streams =
        JSON.readTree(
                Ffmpeg.probe()
                    .with("-show_entries", "stream=codec_type,codec_name,profile,pix_fmt")
                    .with("-of", "json")
                    .looksInto(file)
                    .within(LIMIT)
                    .run())
            .path("streams");
    JsonNode picture = first(streams, "video");
    return new FileForm(
        picture.path("codec_name").asString(""),
        picture.path("profile").asString(""),
        picture.path("pix_fmt").asString(""),
        first(streams, "audio").path("codec_name").asString(""),
        Mp4Boxes.areInOrderToPlay(file));
  }

  private static JsonNode first(JsonNode streams, String type) {
    for (JsonNode stream : streams) {
      if (stream.path("codec_type").asString("").equals(type)) {
        return stream;
      }
    }
    return NONE;
  }
}
