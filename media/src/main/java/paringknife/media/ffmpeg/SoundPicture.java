package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.time.Duration;
import java.util.function.DoubleConsumer;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.WholeFile;

/**
 * Gives a recording without a picture one that is drawn from its sound: its wave, moving, on a dark
 * ground. The middle of it does in every shape.
 */
public final class SoundPicture {
  private static final int WIDTH = 1280;
  private static final int HEIGHT = 720;
  private static final int WAVE = 260;
  private static final int PER_SECOND = 25;
  private static final String GROUND = "0x2b2927";
  private static final String INK = "0xe9dfcf";

  private SoundPicture() {}

  /**
   * Writes picture and sound as Matroska; it appears whole or not at all.
   *
   * @param progress told the share done, 0 to 1
   * @return the target
   */
  public static Path draw(Recording sound, Path target, DoubleConsumer progress) {
    try (ScratchFolder scratch = ScratchFolder.in(target.toAbsolutePath().getParent())) {
      Path part = scratch.path().resolve("picture.mkv");
      drawing(sound).telling(sound.durationUs(), progress).with(part.toString()).run();
      WholeFile.move(part, target);
      return target;
    }
  }

  private static Ffmpeg drawing(Recording sound) {
    double seconds = sound.durationUs() / 1e6;
    String ground = "color=c=" + GROUND + ":s=" + WIDTH + "x" + HEIGHT + ":r=" + PER_SECOND;
    String graph =
        "[0:a:0]aresample=48000:async=1:first_pts=0,asplit=2[sound][seen];"
            + "[seen]aformat=channel_layouts=mono,showwaves=s="
            + WIDTH
            + "x"
            + WAVE
            + ":mode=cline:rate="
            + PER_SECOND
            + ":colors="
            + INK
            + ":scale=sqrt[wave];"
            + "[1:v][wave]overlay=0:"
            + (HEIGHT - WAVE) / 2
            + ":format=auto,scale=out_color_matrix=bt709:out_range=tv,format=yuv420p[picture]";
    return Ffmpeg.inBackground()
        .recording(sound.file())
        .made(ground, seconds)
        .with("-filter_complex", graph, "-map", "[picture]", "-map", "[sound]")
        .with("-c:v", "libx264", "-preset", "ultrafast", "-crf", "20", "-g", "50")
        .with("-colorspace", "bt709", "-color_range", "tv")
        .with("-c:a", "flac", "-sample_fmt", "s16", "-t", Ffmpeg.seconds(seconds))
        .within(Duration.ofSeconds(120 + sound.durationUs() / 500_000));
  }
}
