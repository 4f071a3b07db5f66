package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import paringknife.core.listen.LineUp;
import paringknife.core.listen.Placement;
import paringknife.media.store.ScratchFolder;

/** Lines recordings of one event up by their sound. */
public final class RecordingLineUp {
  private RecordingLineUp() {}

  /**
   * Where each of the others lies on the clock of the first.
   *
   * @param scratch a folder in which decoded sound may lie meanwhile
   * @throws UnusableRecording when one has no sound, or none that the first heard too
   */
  public static List<HeardSound> of(Recording first, List<Recording> others, Path scratch) {
    try (ScratchFolder folder = ScratchFolder.in(scratch)) {
      DecodedSound reference = DecodedSound.of(first, folder.path().resolve("reference.raw"));
      LineUp lineUp = new LineUp(reference.levels(), reference);
      List<HeardSound> placed = new ArrayList<>();
      for (Recording other : others) {
        DecodedSound sound = DecodedSound.of(other, folder.path().resolve("other.raw"));
        Placement placement =
            lineUp
                .place(sound.levels(), sound)
                .orElseThrow(
                    () ->
                        new UnusableRecording(
                            other.file().getFileName()
                                + " does not sound like the same event as "
                                + first.file().getFileName()
                                + ", so the two cannot be lined up."));
        placed.add(new HeardSound(other, placement));
      }
      return placed;
    }
  }
}
