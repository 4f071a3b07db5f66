package paringknife.media.ffmpeg;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.DoubleConsumer;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Codec;
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
  /** Goes up when the same order comes to another file, so that files of before are made anew. */
  public static final int EDITION = 4;

  /** So many files are made side by side; each takes memory of its own. */
  public static final int MOST_TOGETHER = 4;

  /** Their files have an index, which is put first so that a player begins at once. */
  private static final Set<Codec> INDEXED =
      EnumSet.of(Codec.H264, Codec.HEVC, Codec.AV1, Codec.VC3, Codec.M4A);

  private static final FrameRate WITHOUT_PICTURE = new FrameRate(25, 1);

  static final int PIPE_BYTES = 1 << 20;

  /** What MP4 writes down of a frame of the picture and of the sound beside it. */
  private static final int BYTES_AROUND_A_FRAME = 20;

  private static final double BYTES_OF_A_KBIT = 125;

  /** The share of the time that noting what each frame takes needs beside spending by it. */
  private static final double NOTING = 0.4;

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

  /**
   * Renders the first frame to {@code target}, as JPEG.
   *
   * @throws ProcessFailed when ffmpeg fails; nothing is left behind then
   */
  public void still(RenderOrder order, Path target) {
    try (ScratchFolder scratch = ScratchFolder.in(target.toAbsolutePath().getParent())) {
      Path film = scratch.path().resolve("film");
      Files.createDirectories(film);
      Path made = scratch.path().resolve("frame.mp4");
      render(order.withCamerasSeen(), film, made, share -> {});
      Path picture = scratch.path().resolve("still.jpg");
      Ffmpeg.now().recording(made).with("-frames:v", "1", "-q:v", "2", picture.toString()).run();
      WholeFile.move(picture, target);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * One of the files that are made of a clip.
   *
   * @param target replaced when it is there
   */
  public record Wanted(RenderOrder order, Path target) {}

  /**
   * Renders files of one clip. Those that show the same of the recordings are decoded and joined
   * once and encoded side by side; a picture that several have is encoded once.
   *
   * @param progress told the share done, 0 to 1
   * @throws ProcessFailed when ffmpeg fails; files that were whole by then are there
   */
  public void renderTogether(List<Wanted> wanted, DoubleConsumer progress) {
    List<List<Wanted>> groups = SharedPictures.groups(wanted);
    for (int g = 0; g < groups.size(); g++) {
      List<Wanted> group = groups.get(g);
      int before = g;
      DoubleConsumer share = s -> progress.accept((before + s) / groups.size());
      if (group.size() == 1) {
        render(group.get(0).order(), group.get(0).target(), share);
      } else {
        new SharedPictures(group, fonts).render(share);
      }
    }
  }

  private void render(RenderOrder order, Path work, Path target, DoubleConsumer progress)
      throws IOException {
    new JoinedSound(order, work).write(order.loudness(), work.resolve("sound.f32"));
    Codec codec = order.encoding().codec();
    Path made = work.resolve("out." + codec.extension());
    Long most = order.encoding().mostBytes();
    if (!codec.hasPicture()) {
      encodeSound(order, work, made, progress);
    } else if (most == null) {
      encode(order, work, null, made, progress);
    } else {
      double seconds = seconds(order);
      double beside =
          order.encoding().soundKbps() * BYTES_OF_A_KBIT * seconds
              + order.frames() * BYTES_AROUND_A_FRAME;
      new HeldSize(most, beside, seconds)
          .make(
              made,
              share -> encode(order, work, Encoder.Pass.FIRST, made, share),
              new Looks(order, work, made)::spend,
              progress);
    }
    WholeFile.move(made, target);
  }

  private static double seconds(RenderOrder order) {
    return order.plan().lengthUs() / 1e6 / order.speed();
  }

  /** Further looks at the picture of an order, which spend a bit rate. */
  private final class Looks {
    private final RenderOrder order;
    private final Path work;
    private final Path made;
    private boolean isNoted;

    Looks(RenderOrder order, Path work, Path made) {
      this.order = order;
      this.work = work;
      this.made = made;
      this.isNoted = !new Encoder(order.encoding(), order.delivered()).notesApart();
    }

    void spend(int kbps, DoubleConsumer progress) throws IOException {
      double noted = isNoted ? 0 : NOTING;
      if (!isNoted) {
        encode(order, work, Encoder.Pass.NOTING, made, share -> progress.accept(share * NOTING));
        isNoted = true;
      }
      encode(
          order,
          work,
          Encoder.Pass.spending(kbps),
          made,
          share -> progress.accept(noted + share * (1 - noted)));
    }
  }

  private static void encodeSound(RenderOrder order, Path work, Path made, DoubleConsumer progress)
      throws IOException {
    Long most = order.encoding().mostBytes();
    int kbps = order.encoding().soundKbps();
    if (most == null) {
      encodeSound(order, kbps, work, made, progress);
      return;
    }
    new HeldSize(most, 0, seconds(order))
        .make(
            made,
            share -> encodeSound(order, kbps, work, made, share),
            (fitting, share) -> encodeSound(order, fitting, work, made, share),
            progress);
  }

  private static void encodeSound(
      RenderOrder order, int kbps, Path work, Path made, DoubleConsumer progress) {
    Ffmpeg run = Ffmpeg.inBackground().in(work).within(limit(order));
    run.telling(Math.round(order.plan().lengthUs() / order.speed()), progress);
    run.ownSound("sound.f32");
    new Encoder(order.encoding(), order.delivered()).sound(run, kbps);
    ended(run, order.encoding().codec(), made);
    run.run();
  }

  private void encode(
      RenderOrder order, Path work, Encoder.@Nullable Pass pass, Path made, DoubleConsumer progress)
      throws IOException {
    Files.deleteIfExists(made);
    Ffmpeg run = Ffmpeg.inBackground().in(work).within(limit(order));
    run.telling(Math.round(order.plan().lengthUs() / order.speed()), progress);
    boolean held = order.isHeld();
    RenderGraph graph =
        held
            ? RenderGraph.held(order, fonts.directory())
            : RenderGraph.dressed(order, fonts.directory());
    if (pass == null || pass.isFirst()) {
      graph.layOut(work);
    }
    feed(run, graph, order, work);
    new Encoder(order.encoding(), order.delivered()).film(run, pass);
    if (pass != null && pass.notesOnly()) {
      run.with("-f", "null", "-");
    } else {
      ended(run, order.encoding().codec(), made);
    }
    if (held) {
      run.run();
    } else {
      PlaneWarper warper = new PlaneWarper(order);
      run.fed(pictures -> warp(order, warper, work, pictures));
    }
  }

  /** The last arguments of a run that makes a finished file. */
  static void ended(Ffmpeg run, Codec codec, Path made) {
    run.with("-map_metadata", "-1");
    if (INDEXED.contains(codec)) {
      run.with("-movflags", "+faststart");
    }
    run.with(made.getFileName().toString());
  }

  private static void feed(Ffmpeg run, RenderGraph graph, RenderOrder order, Path work)
      throws IOException {
    Files.writeString(work.resolve("graph.txt"), graph.text(order.frames()));
    int sound = graph.open(run);
    run.ownSound("sound.f32");
    run.with("-filter_complex_script", "graph.txt", "-map", "[v]", "-map", sound + ":a:0");
  }

  /** Decodes what plays and hands it on, warped. */
  private static void warp(RenderOrder order, PlaneWarper warper, Path work, OutputStream pictures)
      throws IOException {
    RenderGraph recorded = RenderGraph.recorded(order, PlaneWarper.source(order));
    long frames = PictureRun.total(order.runs());
    Files.writeString(work.resolve("recorded.txt"), recorded.text(frames));
    Ffmpeg decode = Ffmpeg.inBackground().in(work).within(limit(order));
    recorded.open(decode);
    decode.with("-filter_complex_script", "recorded.txt", "-map", "[v]");
    decode.with("-f", "rawvideo", "pipe:1");
    OutputStream buffered = new BufferedOutputStream(pictures, PIPE_BYTES);
    decode.read(
        in -> {
          warper.warp(in, buffered);
          return null;
        });
    buffered.flush();
  }

  static Duration limit(RenderOrder order) {
    return Duration.ofSeconds(300 + order.plan().lengthUs() / 1_000_000 * 30);
  }
}
