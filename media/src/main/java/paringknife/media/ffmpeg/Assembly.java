package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.WholeFile;

/**
 * Puts pieces of several recordings one after the other into a recording of its own, at the size
 * and frame rate of the first: picture nearly lossless, sound lossless, every piece a whole number
 * of frames, so that sound and picture stay in step however many there are.
 */
public final class Assembly {
  /**
   * A piece.
   *
   * @param sound what is heard of its episode
   * @param span on the clock of its episode
   */
  public record Piece(Recording recording, Path sound, Span span) {}

  private Assembly() {}

  /** How long a piece plays: its length in whole frames, microseconds. */
  public static long lengthUs(Piece piece, FrameRate rate) {
    return rate.startUs(Math.max(1, rate.nearestFrame(piece.span().lengthUs())));
  }

  /**
   * Writes the recording as Matroska; it appears whole or not at all.
   *
   * @param pieces at least one, the first of a recording with a picture
   * @return the target
   */
  public static Path write(List<Piece> pieces, Path target) {
    try (ScratchFolder scratch = ScratchFolder.in(target.toAbsolutePath().getParent())) {
      Path part = scratch.path().resolve("assembly.mkv");
      assembling(pieces, part).within(Duration.ofHours(1)).run();
      WholeFile.move(part, target);
      return target;
    }
  }

  private static Ffmpeg assembling(List<Piece> pieces, Path part) {
    Recording.Picture picture = pieces.get(0).recording().picture();
    if (picture == null) {
      throw new UnusableRecording(
          pieces.get(0).recording().file().getFileName() + " has no picture to begin with.");
    }
    FrameRate rate = picture.rate();
    Ffmpeg run = Ffmpeg.inBackground();
    StringBuilder graph = new StringBuilder();
    StringBuilder joined = new StringBuilder();
    for (int i = 0; i < pieces.size(); i++) {
      Piece piece = pieces.get(i);
      String from = Ffmpeg.seconds(piece.span().startUs() / 1e6);
      double length = lengthUs(piece, rate) / 1e6;
      for (Path file : List.of(piece.recording().file(), piece.sound())) {
        run.recording(file, "-ss", from, "-t", Ffmpeg.seconds(length + 1));
      }
      graph.append(filters(i, piece, picture, rate, length));
      joined.append("[v").append(i).append("][a").append(i).append(']');
    }
    graph.append(joined).append("concat=n=").append(pieces.size()).append(":v=1:a=1[v][a]");
    run.with("-filter_complex", graph.toString(), "-map", "[v]", "-map", "[a]");
    run.with("-c:v", "libx264", "-preset", "veryfast", "-crf", "12", "-g", "50");
    return run.with("-c:a", "flac", part.toString());
  }

  /**
   * Brings a piece's picture to the size and rate of the first one's, and its sound to its length.
   */
  private static String filters(
      int at, Piece piece, Recording.Picture picture, FrameRate rate, double length) {
    String size = picture.width() + ":" + picture.height();
    return String.format(
        Locale.ROOT,
        "[%d:v:0]%ssetpts=PTS-STARTPTS,fps=%s:start_time=0,"
            + "scale=%s:force_original_aspect_ratio=decrease:flags=bicubic,pad=%s:-1:-1,setsar=1,"
            + "tpad=stop_mode=clone:stop_duration=2,trim=end_frame=%d,"
            + "settb=%d/%d,setpts=N,format=yuv420p[v%d];"
            + "[%d:a:0]asetpts=PTS-STARTPTS,aresample=48000,"
            + "aformat=sample_fmts=s16:channel_layouts=stereo,"
            + "apad,atrim=end_sample=%d,asetpts=N/SR/TB[a%d];",
        2 * at,
        Straightened.filters(piece.recording().picture()),
        rate,
        size,
        size,
        rate.nearestFrame(Math.round(length * 1e6)),
        rate.denominator(),
        rate.numerator(),
        at,
        2 * at + 1,
        Math.round(length * 48_000),
        at);
  }
}
