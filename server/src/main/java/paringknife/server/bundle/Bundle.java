package paringknife.server.bundle;

import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.frame.people.PeopleCorrection;
import paringknife.core.pick.Chapter;
import paringknife.core.transcript.Transcript;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.picks.MarkStore;
import tools.jackson.databind.JsonNode;

/**
 * What a bundle says of its episode, in the {@value #NAME} that lies first in it.
 *
 * @param version of this form; {@value #VERSION} at present
 * @param recording the one with the picture, or the only one
 * @param sounds the separate ones, in their order
 * @param transcript null for none
 * @param timing how well its words are timed; null without one
 * @param people what was put right about who is seen, in its order
 * @param specs of the user's own that clips ask for
 * @param fonts names of files in the bundle
 * @param logos names of files in the bundle, after the picture's
 * @param backdrops likewise; bundles made before there were any have none
 */
record Bundle(
    int version,
    String show,
    String title,
    Recorded recording,
    List<BundledSound> sounds,
    @Nullable Transcript transcript,
    TranscriptFile.@Nullable Timing timing,
    List<PeopleCorrection> people,
    List<MarkStore.Mark> marks,
    List<Chapter> chapters,
    List<BundledClip> clips,
    List<DeliverySpec> specs,
    List<String> fonts,
    List<String> logos,
    List<String> backdrops) {
  static final String NAME = "bundle.json";
  static final int VERSION = 1;

  Bundle {
    backdrops = backdrops == null ? List.of() : List.copyOf(backdrops);
  }

  /**
   * A recording.
   *
   * @param name in the media folder that it came from
   * @param file in the bundle; null where it stayed behind
   */
  record Recorded(String name, @Nullable String file) {}

  /** A separate recording, and what was chosen of it. */
  record BundledSound(Recorded recording, String speaker, long nudgeUs, boolean heard) {}

  /**
   * A clip.
   *
   * @param document as it is kept, of this version's schema or an older one
   */
  record BundledClip(JsonNode document, List<BundledVersion> versions) {}

  /** A state of a clip that was kept. */
  record BundledVersion(String name, boolean automatic, long lengthUs, JsonNode document) {}
}
