package paringknife.media.ffmpeg;

import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Encoding;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Look;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.FrameRate;

/**
 * All that a finished file is made from.
 *
 * @param recording the original
 * @param sound the episode's sound as it is to be heard
 * @param plan what of the sound plays
 * @param runs what of the picture plays
 * @param path what every frame shows of it
 * @param look what is done to the picture itself
 * @param captions an ASS script for that size; empty for none
 * @param width of the finished picture, pixels, even
 * @param height of the finished picture, pixels, even
 * @param delivered frame rate of the finished picture
 * @param loudness what the sound is brought to; null leaves it as it is
 * @param speed how fast all of it plays, at its own pitch
 */
public record RenderOrder(
    Recording recording,
    SampleSource sound,
    SoundPlan plan,
    List<PictureRun> runs,
    FramePath path,
    Look look,
    String captions,
    int width,
    int height,
    FrameRate delivered,
    @Nullable LoudnessTarget loudness,
    double speed,
    Encoding encoding) {

  /** The frame rate of the runs. */
  FrameRate rate() {
    return Renderer.rateOf(recording);
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
