package paringknife.media.ffmpeg;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.function.DoubleConsumer;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Encoding;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.listen.SoundJoiner;
import paringknife.core.listen.SoundMeasure;
import paringknife.core.time.FrameRate;
import paringknife.media.process.ProcessFailed;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.WholeFile;

/**
 * Renders a clip from the original to a finished file in one generation. Sound is joined, brought
 * to loudness and limited by sample here and handed over as PCM; the picture goes through one
 * ffmpeg process. The file appears under its name only when it is complete.
 */
public final class Renderer {
  private static final FrameRate WITHOUT_PICTURE = new FrameRate(25, 1);

  /** AAC overshoots a limited signal a little; this much is left for it, in dB. */
  private static final double CODEC_ROOM_DB = 0.6;

  private static final int PIPE_BYTES = 1 << 20;

  private final CaptionFonts fonts;

  public Renderer(CaptionFonts fonts) {
    this.fonts = fonts;
  }

  /** The frame rate a recording is edited and delivered at. */
  public static FrameRate rateOf(Recording recording) {
    Recording.Picture picture = recording.picture();
    return picture == null ? WITHOUT_PICTURE : picture.rate();
  }

  /**
   * Renders to {@code target}, replacing what is there.
   *
   * @param progress told the share done, 0 to 1
   * @throws ProcessFailed when ffmpeg fails; nothing is left behind then
   */
  public void render(RenderOrder order, Path target, DoubleConsumer progress) {
    try (ScratchFolder scratch = ScratchFolder.in(target.toAbsolutePath().getParent())) {
      render(order.withCamerasSeen(), scratch.path(), target, progress);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void render(RenderOrder order, Path work, Path target, DoubleConsumer progress)
      throws IOException {
    writeSound(order, work.resolve("sound.f32"));
    Ffmpeg run = Ffmpeg.inBackground().in(work).within(limit(order));
    run.telling(Math.round(order.plan().lengthUs() / order.speed()), progress);
    if (order.path().isHeld()) {
      encode(run, RenderGraph.held(order, fonts.directory()), order, work);
      run.run();
    } else {
      PlaneWarper warper = new PlaneWarper(order);
      encode(run, RenderGraph.dressed(order, fonts.directory()), order, work);
      run.fed(pictures -> warp(order, warper, work, pictures));
    }
    WholeFile.move(work.resolve("out.mp4"), target);
  }

  private static void encode(Ffmpeg run, RenderGraph graph, RenderOrder order, Path work)
      throws IOException {
    Files.writeString(work.resolve("graph.txt"), graph.text());
    graph.layOut(work);
    int sound = graph.open(run);
    run.ownSound("sound.f32");
    run.with("-filter_complex_script", "graph.txt", "-map", "[v]", "-map", sound + ":a:0");
    run.with("-frames:v", Long.toString(order.frames()));
    encoding(run, order.encoding());
    run.with("-map_metadata", "-1", "-movflags", "+faststart", "out.mp4");
  }

  /** Decodes what plays and hands it on, warped. */
  private static void warp(RenderOrder order, PlaneWarper warper, Path work, OutputStream pictures)
      throws IOException {
    RenderGraph recorded = RenderGraph.recorded(order, warper);
    Files.writeString(work.resolve("recorded.txt"), recorded.text());
    Ffmpeg decode = Ffmpeg.inBackground().in(work).within(limit(order));
    recorded.open(decode);
    decode.with("-filter_complex_script", "recorded.txt", "-map", "[v]");
    decode.with("-frames:v", Long.toString(PictureRun.total(order.runs())));
    decode.with("-f", "rawvideo", "pipe:1");
    OutputStream buffered = new BufferedOutputStream(pictures, PIPE_BYTES);
    decode.read(
        in -> {
          warper.warp(in, buffered);
          return null;
        });
    buffered.flush();
  }

  private static Duration limit(RenderOrder order) {
    return Duration.ofSeconds(300 + order.plan().lengthUs() / 1_000_000 * 30);
  }

  private static void encoding(Ffmpeg run, Encoding encoding) {
    pictureAs(run, encoding);
    run.with("-c:a", "aac", "-b:a", encoding.audioKbps() + "k");
  }

  /** Encodes the picture as it is to be delivered. */
  static void pictureAs(Ffmpeg run, Encoding encoding) {
    run.with("-c:v", "libx264", "-preset", encoding.preset());
    run.with("-crf", Integer.toString(encoding.crf()), "-profile:v", encoding.profile());
    // With a lookahead thread of its own x264 does not make the same bytes of the same pictures
    // every time (measured: two outcomes in 40 runs; without it one in 104).
    run.with("-x264-params", "sync-lookahead=0");
    run.with("-colorspace", "bt709", "-color_primaries", "bt709", "-color_trc", "bt709");
    run.with("-color_range", "tv");
  }

  private static void writeSound(RenderOrder order, Path file) throws IOException {
    SoundJoiner joiner = new SoundJoiner(order.sound(), order.plan());
    PcmFile sound = PcmFile.write(joiner, joiner.moments(), file.resolveSibling("joined.f32"));
    if (order.speed() != 1) {
      sound = sound.faster(order.speed(), file.resolveSibling("faster.f32"));
    }
    long moments = sound.moments();
    if (order.loudness() == null) {
      PcmFile.write(sound, moments, file);
      return;
    }
    LoudnessTarget target =
        new LoudnessTarget(order.loudness().lufs(), order.loudness().ceilingDbtp() - CODEC_ROOM_DB);
    PcmFile once =
        PcmFile.write(
            target.round(sound, SoundMeasure.of(sound, moments)),
            moments,
            file.resolveSibling("once.f32"));
    PcmFile.write(target.round(once, SoundMeasure.of(once, moments)), moments, file);
  }
}
