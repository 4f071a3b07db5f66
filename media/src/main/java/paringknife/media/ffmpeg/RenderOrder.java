package paringknife.media.ffmpeg;

import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.frame.HeldWindow;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.SoundPlan;
import paringknife.core.pare.PictureRun;

/**
 * All that a finished file is made from.
 *
 * @param recording the original
 * @param sound the episode's sound as it is to be heard
 * @param plan what of the sound plays
 * @param runs what of the picture plays
 * @param windows held windows that cover the runs, on the episode's clock, in order
 * @param captions an ASS script for that size; empty for none
 * @param width of the finished picture, pixels, even
 * @param height of the finished picture, pixels, even
 * @param loudness what the sound is brought to; null leaves it as it is
 * @param speed how fast all of it plays, at its own pitch
 */
public record RenderOrder(
    Recording recording,
    SampleSource sound,
    SoundPlan plan,
    List<PictureRun> runs,
    List<HeldWindow> windows,
    String captions,
    int width,
    int height,
    @Nullable LoudnessTarget loudness,
    double speed) {}
