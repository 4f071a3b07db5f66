package paringknife.demo;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import paringknife.core.time.FrameRate;
import paringknife.media.process.ChildProcess;
import paringknife.media.process.ProcessFailed;

/** Draws a performance frame by frame and hands the pictures with their sound to ffmpeg. */
final class Filming {
  static final List<Portrait.Look> LOOKS =
      List.of(
          new Portrait.Look(
              new Color(0xE0AC8C),
              new Color(0x7A3B22),
              new Color(0x7C6A4A),
              new Color(0x4F6B4A),
              true,
              false),
          new Portrait.Look(
              new Color(0xD29A78),
              new Color(0x5A5550),
              new Color(0x3F5563),
              new Color(0x3C5A78),
              false,
              true),
          new Portrait.Look(
              new Color(0xB98060),
              new Color(0x2A2220),
              new Color(0x5B3B44),
              new Color(0x4A3524),
              true,
              false));

  private final Performance performance;
  private final List<Voice> voices;
  private final FrameRate rate;
  private final int width;
  private final int height;
  private final int look;
  private final double scale;
  private final Direction direction;
  private final Camera camera;

  /**
   * A camera.
   *
   * @param shots what it sees, in order; the first from the beginning on
   * @param early how long it runs before the performance begins, seconds
   * @param colours a filter of ffmpeg's that its pictures go through
   */
  record Camera(int width, int height, List<Direction.Shot> shots, double early, String colours) {
    /** The first one of a plan. */
    static Camera first(DemoMaker.Plan plan) {
      return new Camera(plan.width(), plan.height(), plan.direction().shots(), 0, "null");
    }
  }

  Filming(Performance performance, DemoMaker.Plan plan, Camera camera) {
    this.performance = performance;
    this.voices = plan.voices();
    this.rate = plan.rate();
    this.width = camera.width();
    this.height = camera.height();
    this.look = plan.look();
    this.scale = height / 720.0;
    this.direction = plan.direction();
    this.camera = camera;
  }

  /** Films into an MP4 with the sound given (raw 16-bit mono at 16 kHz). */
  void film(Path rawSound, Path target) throws IOException {
    Process process =
        new ProcessBuilder(command(rawSound, target))
            .redirectError(ProcessBuilder.Redirect.INHERIT)
            .start();
    Thread killer = ChildProcess.killAfter(process, java.time.Duration.ofMinutes(10));
    try (OutputStream out =
        new BufferedOutputStream(process.getOutputStream(), width * height * 4)) {
      draw(out);
    }
    try {
      int exit = process.waitFor();
      killer.interrupt();
      if (exit != 0) {
        throw new ProcessFailed("ffmpeg", exit, "see above");
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new ProcessFailed("ffmpeg", -1, "interrupted");
    }
  }

  private List<String> command(Path rawSound, Path target) {
    FrameRate drawings = new FrameRate(rate.numerator(), rate.denominator() * 2);
    return List.of(
        "ffmpeg",
        "-nostdin",
        "-y",
        "-v",
        "error",
        "-f",
        "rawvideo",
        "-pix_fmt",
        "bgr0",
        "-s",
        width + "x" + height,
        "-r",
        drawings.toString(),
        "-i",
        "pipe:0",
        "-f",
        "s16le",
        "-ar",
        "16000",
        "-ac",
        "1",
        "-i",
        rawSound.toString(),
        "-vf",
        camera.colours() + ",scale=out_color_matrix=bt709:out_range=tv,format=yuv420p,fps=" + rate,
        "-c:v",
        "libx264",
        "-preset",
        "ultrafast",
        "-crf",
        "21",
        "-g",
        "250",
        "-colorspace",
        "bt709",
        "-color_primaries",
        "bt709",
        "-color_trc",
        "bt709",
        "-color_range",
        "tv",
        "-c:a",
        "aac",
        "-aac_coder",
        "fast",
        "-ar",
        "48000",
        "-b:a",
        "128k",
        "-shortest",
        "-movflags",
        "+faststart",
        target.toString());
  }

  /** Draws on twos: a new drawing every second frame, as hand animation does. */
  private void draw(OutputStream out) throws IOException {
    BufferedImage frame = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    int[] pixels = ((DataBufferInt) frame.getRaster().getDataBuffer()).getData();
    ByteBuffer bytes = ByteBuffer.allocate(pixels.length * 4).order(ByteOrder.LITTLE_ENDIAN);
    Graphics2D g = frame.createGraphics();
    List<Scene> scenes = scenes();
    long frames = rate.nearestFrame(Math.round((camera.early() + performance.seconds) * 1e6));
    for (long n = 0; n < frames; n += 2) {
      double t = rate.startUs(n) / 1e6 - camera.early();
      sceneAt(scenes, t).draw(g, pixels, t);
      bytes.asIntBuffer().put(pixels);
      out.write(bytes.array());
    }
    g.dispose();
  }

  private List<Scene> scenes() {
    return camera.shots().stream().map(Scene::new).toList();
  }

  private static Scene sceneAt(List<Scene> scenes, double t) {
    Scene now = scenes.get(0);
    for (Scene scene : scenes) {
      if (scene.shot.from() <= t) {
        now = scene;
      }
    }
    return now;
  }

  /** A picture of one person at one time, for tests of the face detector. */
  BufferedImage still(double seconds) {
    BufferedImage frame = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = frame.createGraphics();
    int[] pixels = ((DataBufferInt) frame.getRaster().getDataBuffer()).getData();
    sceneAt(scenes(), seconds).draw(g, pixels, seconds);
    g.dispose();
    return frame;
  }

  /** What is seen in a shot. */
  private final class Scene {
    private final Direction.Shot shot;
    private final int[] room;
    private final List<Actor> actors = new ArrayList<>();

    Scene(Direction.Shot shot) {
      this.shot = shot;
      BufferedImage drawn = Room.draw(width, height, look, direction.hasPortrait(), shot.view());
      this.room = ((DataBufferInt) drawn.getRaster().getDataBuffer()).getData();
      for (int v = 0; v < voices.size(); v++) {
        actors.add(new Actor(v, shot.view()));
      }
    }

    void draw(Graphics2D g, int[] pixels, double t) {
      System.arraycopy(room, 0, pixels, 0, pixels.length);
      actors.forEach(actor -> actor.draw(g, t));
    }
  }

  private final class Actor {
    private static final double SHOULDER = 105;
    private static final double ARM = 230;

    private final Direction.View view;
    private final int index;
    private final double size;
    private final Portrait portrait;
    private final float[] voice;
    private final double x;
    private final double phase;
    private final List<Double> blinks = new ArrayList<>();
    private double openness;

    Actor(int index, Direction.View view) {
      this.view = view;
      this.index = index;
      size = scale * view.nearer();
      portrait = new Portrait(LOOKS.get((look + index) % LOOKS.size()), size);
      voice = performance.tracks.get(voices.get(index).letter());
      x =
          width * (index + 1.0) / (voices.size() + 1)
              + (voices.size() > 1 ? (index - 0.5) * width * 0.14 : 0);
      phase = index * 2.1;
      Random random = new Random(index);
      for (double t = 1; t < performance.seconds; t += 2 + random.nextDouble() * 4) {
        blinks.add(t);
      }
    }

    void draw(Graphics2D g, double t) {
      double level = level(t);
      openness += (level - openness) * 0.65;
      int mouth = (int) Math.round(openness * (Portrait.MOUTHS - 1));
      boolean shut = blinks.stream().anyMatch(b -> t >= b && t < b + 0.14);
      double sway = 4 * Math.sin(t * 0.55 + phase) + 2 * Math.sin(t * 1.3 + phase);
      double nod = 2.2 * Math.sin(t * 0.9 + phase) + 5 * openness * Math.sin(t * 5);
      double top = height - 600 * scale;
      double leant = leantAt(t);
      AffineTransform upright = g.getTransform();
      if (leant > 0) {
        g.setRenderingHint(
            RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.rotate(direction.lean().angle() * leant, seenX(x), seenY(height));
      }
      place(g, portrait.body(), x + sway * 0.3, top + 286 * scale);
      if (leant > 0) {
        AffineTransform over = g.getTransform();
        g.setTransform(upright);
        point(g, over, leant);
        g.setTransform(over);
      }
      place(g, portrait.head(mouth, shut), x + sway, top + nod);
      g.setTransform(upright);
    }

    private double leantAt(double t) {
      Direction.Lean lean = direction.lean();
      return lean == null || lean.voice() != index ? 0 : lean.shareAt(t);
    }

    /** An arm from the shoulder, wherever that is now, towards what is pointed at. */
    private void point(Graphics2D g, AffineTransform over, double leant) {
      Direction.Lean lean = direction.lean();
      boolean toTheRight = lean.atX() * width > x;
      double side = (toTheRight ? 1 : -1) * SHOULDER * scale;
      Point2D shoulder =
          over.transform(new Point2D.Double(seenX(x + side), seenY(height - 185 * scale)), null);
      Point2D target = new Point2D.Double(seenX(lean.atX() * width), seenY(lean.atY() * height));
      double away = shoulder.distance(target);
      double reach = Math.min(1, ARM * size / away) * leant;
      portrait.arm(
          g,
          shoulder,
          new Point2D.Double(
              shoulder.getX() + reach * (target.getX() - shoulder.getX()),
              shoulder.getY() + reach * (target.getY() - shoulder.getY())),
          size);
    }

    private double seenX(double sceneX) {
      return (sceneX - view.middleX() * width) * view.nearer() + width / 2.0;
    }

    private double seenY(double sceneY) {
      return (sceneY - view.middleY() * height) * view.nearer() + height / 2.0;
    }

    private void place(Graphics2D g, BufferedImage image, double middle, double y) {
      g.drawImage(
          image,
          (int) Math.round(seenX(middle) - image.getWidth() / 2.0),
          (int) Math.round(seenY(y)),
          null);
    }

    /** How wide the mouth opens: the voice's level over 40 ms, 0 to 1. */
    private double level(double t) {
      int from = Math.max(0, (int) ((t - 0.01) * Performance.RATE));
      int to = Math.min(voice.length, (int) ((t + 0.03) * Performance.RATE));
      double sum = 0;
      for (int i = from; i < to; i++) {
        sum += voice[i] * voice[i];
      }
      double rms = to > from ? Math.sqrt(sum / (to - from)) : 0;
      return Math.max(0, Math.min(1, (20 * Math.log10(rms + 1e-5) + 46) / 32));
    }
  }
}
