package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Encoding;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.ffmpeg.SoundFile;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;

/**
 * Recordings whose pictures are not stored as they are shown. Each shows a white disc on a coloured
 * ground; the disc has to be round and the ground of its colour, in the proxy and in the file.
 */
class OddPicturesTest {
  private static final int SIDE = 360;
  private static final int SECONDS = 2;

  /** A ground whose red, green and blue BT.601 and BT.709 would tell apart by more than 15. */
  private static final int[] GROUND = {190, 60, 40};

  @TempDir Path folder;

  /** The disc's width and height, and the colour beside it. */
  private record Seen(double width, double height, int red, int green, int blue) {}

  /** A white disc of so many pixels across and down, in the middle of the ground. */
  private record Disc(int width, int height, double across, double down) {
    void draw(Path png) throws IOException {
      BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
      Graphics2D pen = picture.createGraphics();
      pen.setColor(new Color(GROUND[0], GROUND[1], GROUND[2]));
      pen.fillRect(0, 0, width, height);
      pen.setColor(Color.WHITE);
      pen.fill(new Ellipse2D.Double((width - across) / 2, (height - down) / 2, across, down));
      pen.dispose();
      ImageIO.write(picture, "png", png.toFile());
    }
  }

  private Path film(String name, Disc disc, String made, String... options) throws IOException {
    Path film = folder.resolve(name);
    Path still = folder.resolve(name + ".png");
    disc.draw(still);
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-v", "error"));
    command.addAll(
        List.of("-loop", "1", "-framerate", "25", "-t", "" + SECONDS, "-i", still.toString()));
    command.addAll(List.of("-f", "lavfi", "-i", "sine=d=" + SECONDS, "-vf", made));
    command.addAll(List.of("-c:v", "libx264", "-preset", "ultrafast", "-crf", "10"));
    command.addAll(List.of(options));
    command.addAll(List.of("-c:a", "aac", film.toString()));
    ChildProcess.run(command, null, Duration.ofMinutes(1));
    return film;
  }

  private static String coloured(String matrix, String range) {
    return "scale=out_color_matrix=" + matrix + ":out_range=" + range + ",format=yuv420p";
  }

  private void isSeenRight(Path film, int width, int height) throws Exception {
    Recording recording = Probe.of(film);
    assertThat(recording.picture().width()).isEqualTo(width);
    assertThat(recording.picture().height()).isEqualTo(height);
    Path proxy = folder.resolve("proxy.mp4");
    Path sound = folder.resolve("sound.flac");
    new Ingest(recording, proxy, sound).run(share -> {});
    Path file = folder.resolve("file.mp4");
    CutList cuts = new CutList(List.of(new Span(0, SECONDS * 1_000_000L)), List.of());
    List<PictureRun> runs = PictureRun.of(cuts, new FrameRate(25, 1));
    new Renderer(new CaptionFonts(folder.resolve("fonts")))
        .render(
            new RenderOrder(
                Cameras.of(recording),
                SoundFile.of(sound),
                SoundPlan.of(cuts.kept()),
                runs,
                FramePath.whole(width, height, PictureRun.total(runs)),
                null,
                null,
                Look.AS_RECORDED,
                SmoothedSkin.NONE,
                null,
                "",
                width / 2 * 2,
                height / 2 * 2,
                new FrameRate(25, 1),
                null,
                1,
                Encoding.H264_AAC),
            file,
            share -> {});
    for (Path made : List.of(proxy, file)) {
      Seen seen = seen(made);
      assertThat(seen.width() / seen.height()).as("round in " + made).isCloseTo(1, within(0.04));
      assertThat(seen.red()).as("red in " + made).isCloseTo(GROUND[0], within(9));
      assertThat(seen.green()).as("green in " + made).isCloseTo(GROUND[1], within(9));
      assertThat(seen.blue()).as("blue in " + made).isCloseTo(GROUND[2], within(9));
    }
  }

  /** Reads a picture as a browser does: pixels square, colours by what the file says of them. */
  private Seen seen(Path film) throws Exception {
    Path still = folder.resolve("still.png");
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-ss",
            "1",
            "-i",
            film.toString(),
            "-frames:v",
            "1",
            "-vf",
            "scale=in_color_matrix=bt709:in_range=tv,format=rgb24",
            still.toString()),
        null,
        Duration.ofMinutes(1));
    BufferedImage picture = ImageIO.read(still.toFile());
    int across = 0;
    int down = 0;
    for (int x = 0; x < picture.getWidth(); x++) {
      across += isWhite(picture.getRGB(x, picture.getHeight() / 2)) ? 1 : 0;
    }
    for (int y = 0; y < picture.getHeight(); y++) {
      down += isWhite(picture.getRGB(picture.getWidth() / 2, y)) ? 1 : 0;
    }
    int beside = picture.getRGB(picture.getWidth() / 20, picture.getHeight() / 2);
    return new Seen(across, down, beside >> 16 & 255, beside >> 8 & 255, beside & 255);
  }

  private static boolean isWhite(int rgb) {
    return (rgb >> 16 & 255) > 225 && (rgb >> 8 & 255) > 170 && (rgb & 255) > 170;
  }

  /**
   * 720 by 576 with pixels of 16:15 is 768 by 576 (ITU-R BT.601 material at 4:3, common practice).
   */
  @Test
  void pixelsThatAreNotSquare() throws Exception {
    Path film =
        film(
            "pal.mp4",
            new Disc(720, 576, SIDE * 15 / 16.0, SIDE),
            coloured("bt601", "tv") + ",setsar=16/15",
            "-colorspace",
            "smpte170m");
    isSeenRight(film, 768, 576);
  }

  /** The matrix of a track's header: ISO/IEC 14496-12, 8.3.2. */
  @Test
  void aRecordingThatLiesOnItsSide() throws Exception {
    Path upright =
        film(
            "side.mp4",
            new Disc(720, 1280, SIDE, SIDE),
            coloured("bt709", "tv"),
            "-colorspace",
            "bt709");
    byte[] bytes = Files.readAllBytes(upright);
    int matrix = inBox(bytes, "tkhd", 44);
    int[] quarterTurn = {0, 0x10000, 0, -0x10000, 0, 0, 0, 0, 0x40000000};
    for (int i = 0; i < quarterTurn.length; i++) {
      put(bytes, matrix + 4 * i, quarterTurn[i]);
    }
    Path turned = Files.write(folder.resolve("turned.mp4"), bytes);
    isSeenRight(turned, 1280, 720);
  }

  @Test
  void theWholeRangeOfValues() throws Exception {
    Path film =
        film(
            "full.mp4",
            new Disc(1280, 720, SIDE, SIDE),
            coloured("bt709", "pc"),
            "-colorspace",
            "bt709",
            "-color_range",
            "pc");
    isSeenRight(film, 1280, 720);
  }

  /** A recording that does not say so has the matrix of its size: BT.601 below HD, else BT.709. */
  @Test
  void coloursOfWhichTheFileSaysNothing() throws Exception {
    isSeenRight(film("sd.mp4", new Disc(640, 480, SIDE, SIDE), coloured("bt601", "tv")), 640, 480);
    isSeenRight(
        film("hd.mp4", new Disc(1280, 720, SIDE, SIDE), coloured("bt709", "tv")), 1280, 720);
  }

  /** Recorded conversations begin small and grow with the line, or shrink with it. */
  @Test
  void picturesWhoseSizeChanges() throws Exception {
    isSeenRight(changing(new Disc(640, 360, 180, 180), new Disc(1280, 720, SIDE, SIDE)), 640, 360);
    isSeenRight(changing(new Disc(1280, 720, SIDE, SIDE), new Disc(640, 360, 180, 180)), 1280, 720);
  }

  private Path changing(Disc first, Disc then) throws IOException {
    String made = coloured("bt709", "tv");
    Path one = film("one.ts", first, made, "-colorspace", "bt709", "-t", "0.8");
    Path other =
        film(
            "other.ts",
            then,
            made,
            "-colorspace",
            "bt709",
            "-t",
            "1.2",
            "-output_ts_offset",
            "0.8");
    byte[] both = Files.readAllBytes(one);
    byte[] more = Files.readAllBytes(other);
    byte[] joined = Arrays.copyOf(both, both.length + more.length);
    System.arraycopy(more, 0, joined, both.length, more.length);
    return Files.write(folder.resolve("changing.ts"), joined);
  }

  /** Fields of a disc that moves: every other line is from a fiftieth of a second later. */
  @Test
  void everyOtherLineFromLater() throws Exception {
    Path film = folder.resolve("fields.mp4");
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-f",
            "lavfi",
            "-i",
            "color=c=black:s=720x576:r=50:d=2",
            "-f",
            "lavfi",
            "-i",
            "color=c=white:s=120x300:r=50:d=2",
            "-f",
            "lavfi",
            "-i",
            "sine=d=2",
            "-filter_complex",
            "[0][1]overlay=x='40+t*200':y=138,interlace=scan=tff:lowpass=off,format=yuv420p[v]",
            "-map",
            "[v]",
            "-map",
            "2:a",
            "-c:v",
            "libx264",
            "-preset",
            "ultrafast",
            "-crf",
            "10",
            "-flags",
            "+ilme+ildct",
            "-x264opts",
            "tff=1",
            "-c:a",
            "aac",
            film.toString()),
        null,
        Duration.ofMinutes(1));
    Recording recording = Probe.of(film);
    assertThat(recording.picture().form().interlaced()).isTrue();
    Path proxy = folder.resolve("proxy.mp4");
    new Ingest(recording, proxy, folder.resolve("sound.flac")).run(share -> {});
    assertThat(combs(film)).as("edges that jump from line to line, as recorded").isGreaterThan(60);
    assertThat(combs(proxy)).as("in the proxy").isLessThan(12);
  }

  /**
   * How many lines have the left edge of the bar elsewhere than both of their neighbours have it.
   */
  private int combs(Path film) throws Exception {
    Path still = folder.resolve("comb.png");
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-ss",
            "1",
            "-i",
            film.toString(),
            "-frames:v",
            "1",
            still.toString()),
        null,
        Duration.ofMinutes(1));
    BufferedImage picture = ImageIO.read(still.toFile());
    int combs = 0;
    int[] edge = new int[picture.getHeight()];
    for (int y = 0; y < edge.length; y++) {
      while (edge[y] < picture.getWidth() && (picture.getRGB(edge[y], y) & 255) < 128) {
        edge[y]++;
      }
    }
    for (int y = 1; y + 1 < edge.length; y++) {
      boolean bar = edge[y] < picture.getWidth();
      combs +=
          bar && Math.abs(edge[y] - edge[y - 1]) > 1 && Math.abs(edge[y] - edge[y + 1]) > 1 ? 1 : 0;
    }
    return combs;
  }

  /** Five seconds that claim a hundred hours: the lengths in an MP4's headers, written over. */
  @Test
  void aLengthThatIsALieIsMeasured() throws Exception {
    Path film = film("lie.mp4", new Disc(320, 180, 90, 90), coloured("bt601", "tv"), "-t", "5");
    byte[] bytes = Files.readAllBytes(film);
    for (int i = 0; i + 40 < bytes.length; i++) {
      String box = new String(bytes, i, 4, StandardCharsets.ISO_8859_1);
      if (box.equals("mvhd") || box.equals("mdhd")) {
        int scale = at(bytes, i + 16);
        put(bytes, i + 20, (int) Math.min(Integer.MAX_VALUE, 360_000L * scale));
      }
      if (box.equals("tkhd")) {
        put(bytes, i + 24, 360_000_000);
      }
    }
    Files.write(film, bytes);
    assertThat(Probe.of(film).durationUs()).isBetween(1_900_000L, 2_200_000L);
  }

  /** The first box of that name holds the picture's track. */
  private static int inBox(byte[] bytes, String box, int place) {
    String all = new String(bytes, StandardCharsets.ISO_8859_1);
    return all.indexOf(box) + place;
  }

  private static int at(byte[] bytes, int place) {
    return ByteBuffer.wrap(bytes).getInt(place);
  }

  private static void put(byte[] bytes, int place, int value) {
    ByteBuffer.wrap(bytes).putInt(place, value);
  }
}
