package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import paringknife.media.process.ChildProcess;
import paringknife.media.process.Interrupted;
import paringknife.media.process.ProcessFailed;
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
      Process process =
          new ProcessBuilder(command(sound, part))
              .redirectOutput(ProcessBuilder.Redirect.DISCARD)
              .start();
      try {
        process.getOutputStream().close();
        String said = FfmpegProgress.follow(process.getErrorStream(), sound.durationUs(), progress);
        if (process.waitFor() != 0) {
          throw new ProcessFailed("ffmpeg", process.exitValue(), said);
        }
      } finally {
        ChildProcess.end(process);
      }
      WholeFile.move(part, target);
      return target;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Interrupted();
    }
  }

  private static List<String> command(Recording sound, Path part) {
    String seconds = Double.toString(sound.durationUs() / 1e6);
    List<String> c =
        new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-v", "error", "-progress", "pipe:2"));
    c.addAll(Input.safety());
    c.addAll(List.of("-i", Input.argument(sound.file())));
    c.addAll(
        List.of(
            "-f",
            "lavfi",
            "-t",
            seconds,
            "-i",
            "color=c=" + GROUND + ":s=" + WIDTH + "x" + HEIGHT + ":r=" + PER_SECOND));
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
            + ":format=auto,format=yuv420p[picture]";
    c.addAll(List.of("-filter_complex", graph, "-map", "[picture]", "-map", "[sound]"));
    c.addAll(
        List.of(
            "-c:v",
            "libx264",
            "-preset",
            "ultrafast",
            "-crf",
            "20",
            "-g",
            "50",
            "-c:a",
            "flac",
            "-sample_fmt",
            "s16",
            "-t",
            seconds,
            part.toString()));
    return c;
  }
}
