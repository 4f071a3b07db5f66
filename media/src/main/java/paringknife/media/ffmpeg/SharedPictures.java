package paringknife.media.ffmpeg;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleConsumer;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Encoding;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.time.FrameRate;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.WholeFile;

/**
 * Files of one clip for which the same pictures are decoded. Each picture that is asked for has an
 * ffmpeg process of its own that dresses and encodes it; what differs in nothing but its sound is
 * copied from the first.
 */
final class SharedPictures {
  private final List<Renderer.Wanted> wanted;
  private final CaptionFonts fonts;
  private final StackedPictures stack;

  /**
   * @param wanted a group of {@link #groups}
   */
  SharedPictures(List<Renderer.Wanted> wanted, CaptionFonts fonts) {
    this.wanted =
        wanted.stream()
            .map(w -> new Renderer.Wanted(w.order().withCamerasSeen(), w.target()))
            .toList();
    this.fonts = fonts;
    this.stack =
        new StackedPictures(this.wanted.stream().map(w -> size(w.order())).distinct().toList());
  }

  /** In which size the picture of an order is taken: held windows are cut out of all of it. */
  private static WholePictures size(RenderOrder order) {
    CameraGrid grid = order.cameras().grid();
    return order.isHeld()
        ? new WholePictures(grid.width(), grid.height())
        : PlaneWarper.source(order);
  }

  /** Parts files into those for which the same pictures are decoded. */
  static List<List<Renderer.Wanted>> groups(List<Renderer.Wanted> wanted) {
    List<List<Renderer.Wanted>> groups = new ArrayList<>();
    for (Renderer.Wanted file : wanted) {
      groups.stream()
          .filter(g -> g.size() < Renderer.MOST_TOGETHER && shares(g.get(0).order(), file.order()))
          .findFirst()
          .ifPresentOrElse(g -> g.add(file), () -> groups.add(new ArrayList<>(List.of(file))));
    }
    return groups;
  }

  private static boolean shares(RenderOrder one, RenderOrder other) {
    return canShare(one)
        && canShare(other)
        && one.withCamerasSeen().cameras().equals(other.withCamerasSeen().cameras())
        && one.runs().equals(other.runs())
        && one.plan().equals(other.plan())
        && one.speed() == other.speed();
  }

  /** A size limit is met by several looks at the picture. */
  private static boolean canShare(RenderOrder order) {
    return order.encoding().codec().hasPicture() && !order.encoding().limitsSize();
  }

  void render(DoubleConsumer progress) {
    try (ScratchFolder scratch =
        ScratchFolder.in(wanted.get(0).target().toAbsolutePath().getParent())) {
      render(scratch.path(), progress);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void render(Path work, DoubleConsumer progress) throws IOException {
    Map<@Nullable LoudnessTarget, Path> sounds = sounds(work);
    Map<EncodedPicture, Path> pictures = new HashMap<>();
    List<SideBySide.Taker> takers = new ArrayList<>();
    List<Path> made = new ArrayList<>();
    long distinct = wanted.stream().map(w -> EncodedPicture.of(w.order())).distinct().count();
    ShareOfAll shares = new ShareOfAll((int) distinct, progress);
    for (Renderer.Wanted file : wanted) {
      EncodedPicture picture = EncodedPicture.of(file.order());
      Path folder = Files.createDirectory(work.resolve("file-" + made.size()));
      Path film = folder.resolve("out." + file.order().encoding().codec().extension());
      made.add(film);
      if (pictures.putIfAbsent(picture, film) == null) {
        DoubleConsumer share = shares.of(takers.size());
        Path sound = sounds.get(file.order().loudness());
        takers.add(
            new SideBySide.Taker(
                size(file.order()), in -> encode(file.order(), film, sound, in, share)));
      }
    }
    new SideBySide(stack, takers).run(decoding(work));
    for (int i = 0; i < made.size(); i++) {
      RenderOrder order = wanted.get(i).order();
      Path picture = pictures.get(EncodedPicture.of(order));
      if (!picture.equals(made.get(i))) {
        copy(order, picture, sounds.get(order.loudness()), made.get(i));
      }
    }
    for (int i = 0; i < made.size(); i++) {
      WholeFile.move(made.get(i), wanted.get(i).target());
    }
  }

  private Map<@Nullable LoudnessTarget, Path> sounds(Path work) throws IOException {
    JoinedSound sound = new JoinedSound(wanted.get(0).order(), work);
    Map<@Nullable LoudnessTarget, Path> sounds = new HashMap<>();
    for (Renderer.Wanted file : wanted) {
      LoudnessTarget loudness = file.order().loudness();
      if (!sounds.containsKey(loudness)) {
        Path written = work.resolve("sound-" + sounds.size() + ".f32");
        sound.write(loudness, written);
        sounds.put(loudness, written.toAbsolutePath());
      }
    }
    return sounds;
  }

  private Ffmpeg decoding(Path work) throws IOException {
    RenderOrder order = wanted.get(0).order();
    RenderGraph recorded = RenderGraph.recorded(order, stack);
    Files.writeString(work.resolve("recorded.txt"), recorded.text(PictureRun.total(order.runs())));
    Ffmpeg decode =
        Ffmpeg.inBackground()
            .in(work)
            .within(Renderer.limit(order).multipliedBy(Renderer.MOST_TOGETHER));
    recorded.open(decode);
    decode.with("-filter_complex_script", "recorded.txt", "-map", "[v]");
    return decode.with("-f", "rawvideo", "pipe:1");
  }

  /** Dresses and encodes pictures as they come. */
  private void encode(
      RenderOrder order, Path film, Path sound, InputStream pictures, DoubleConsumer progress)
      throws IOException {
    boolean held = order.isHeld();
    RenderGraph graph =
        held
            ? RenderGraph.piped(order, size(order), fonts.directory())
            : RenderGraph.dressed(order, fonts.directory());
    Path folder = film.getParent();
    graph.layOut(folder);
    Files.writeString(folder.resolve("graph.txt"), graph.text(order.frames()));
    Ffmpeg run =
        Ffmpeg.inBackground()
            .in(folder)
            .within(Renderer.limit(order).multipliedBy(Renderer.MOST_TOGETHER));
    run.telling(Math.round(order.plan().lengthUs() / order.speed()), progress);
    int input = graph.open(run);
    run.ownSound(sound.toString());
    run.with("-filter_complex_script", "graph.txt", "-map", "[v]", "-map", input + ":a:0");
    new Encoder(order.encoding(), order.delivered()).film(run);
    Renderer.ended(run, order.encoding().codec(), film);
    run.fed(
        out -> {
          OutputStream buffered = new BufferedOutputStream(out, Renderer.PIPE_BYTES);
          if (held) {
            pictures.transferTo(buffered);
          } else {
            new PlaneWarper(order).warp(pictures, buffered);
          }
          buffered.flush();
        });
  }

  /** Takes an encoded picture over, with another sound. */
  private static void copy(RenderOrder order, Path picture, Path sound, Path film) {
    Ffmpeg run =
        Ffmpeg.inBackground().in(film.getParent()).within(Renderer.limit(order)).recording(picture);
    run.ownSound(sound.toString());
    run.with("-map", "0:v:0", "-map", "1:a:0", "-c:v", "copy");
    new Encoder(order.encoding(), order.delivered()).sound(run);
    Renderer.ended(run, order.encoding().codec(), film);
    run.run();
  }

  /** All that an encoded picture comes of, among files of one clip. */
  private record EncodedPicture(
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
      Encoding encoding) {
    static EncodedPicture of(RenderOrder order) {
      return new EncodedPicture(
          order.path(),
          order.behind(),
          order.backdrop(),
          order.look(),
          order.skin(),
          order.laid(),
          order.captions(),
          order.width(),
          order.height(),
          order.delivered(),
          order.encoding().withUsualSound());
    }
  }

  /** The least of the shares that several have done. */
  private static final class ShareOfAll {
    private final double[] shares;
    private final DoubleConsumer told;

    ShareOfAll(int count, DoubleConsumer told) {
      this.shares = new double[count];
      this.told = told;
    }

    DoubleConsumer of(int number) {
      return share -> tell(number, share);
    }

    private synchronized void tell(int number, double share) {
      shares[number] = share;
      told.accept(Arrays.stream(shares).min().orElse(0));
    }
  }
}
