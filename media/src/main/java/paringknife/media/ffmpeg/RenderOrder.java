package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Encoding;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.FrameRate;

/**
 * All that a finished file is made from.
 *
 * @param cameras the originals
 * @param sound the episode's sound as it is to be heard
 * @param plan what of the sound plays
 * @param runs what of the picture plays
 * @param path what every frame shows of the cameras' pictures side by side
 * @param behind what is seen behind people; null for what was recorded
 * @param backdrop the picture that is seen as a ground; null where none is
 * @param look what is done to the picture itself
 * @param skin whose skin is smoothed
 * @param laid what is laid over it, under the captions; null for nothing
 * @param captions an ASS script for that size; empty for none
 * @param width of the finished picture, pixels, even
 * @param height of the finished picture, pixels, even
 * @param delivered frame rate of the finished picture
 * @param loudness what the sound is brought to; null leaves it as it is
 * @param speed how fast all of it plays, at its own pitch
 */
public record RenderOrder(
    Cameras cameras,
    SampleSource sound,
    SoundPlan plan,
    List<PictureRun> runs,
    FramePath path,
    @Nullable Behind behind,
    @Nullable Path backdrop,
    Look look,
    SmoothedSkin skin,
    @Nullable LaidPicture laid,
    String captions,
    int width,
    int height,
    FrameRate delivered,
    @Nullable LoudnessTarget loudness,
    double speed,
    Encoding encoding) {

  /** The frame rate of the runs. */
  FrameRate rate() {
    return cameras.rate();
  }

  /**
   * Whether ffmpeg alone can make the picture: nothing moves, and people and their ground are as
   * recorded.
   */
  boolean isHeld() {
    return behind == null && skin.amount() == 0 && path.isHeld();
  }

  /** Without the cameras of which nothing is seen; mattes and faces are of all of them. */
  RenderOrder withCamerasSeen() {
    if (cameras.isOne() || behind != null || skin.amount() > 0) {
      return this;
    }
    CameraGrid grid = cameras.grid();
    List<Integer> kept = path.cameras(grid);
    return new RenderOrder(
        cameras.only(kept),
        sound,
        plan,
        runs,
        path.moved(grid, grid.only(kept), kept),
        behind,
        backdrop,
        look,
        skin,
        laid,
        captions,
        width,
        height,
        delivered,
        loudness,
        speed,
        encoding);
  }

  /** How many frames the file will have. */
  long frames() {
    double seconds =
        PictureRun.total(runs) * (double) rate().denominator() / rate().numerator() / speed;
    return delivered.equals(rate())
        ? Math.round(PictureRun.total(runs) / speed)
        : Math.round(seconds * delivered.perSecond());
  }
}
