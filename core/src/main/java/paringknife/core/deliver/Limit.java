package paringknife.core.deliver;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.deliver.post.Post;
import paringknife.core.deliver.post.PostTexts;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.time.FrameRate;

/**
 * Something a destination asks for; each kind knows how it is checked before and after rendering.
 */
public sealed interface Limit {
  /** What can be told before rendering. */
  List<Check> before(Planned planned);

  /** What the finished file shows. */
  List<Check> after(Finished finished);

  /**
   * How long a file may be.
   *
   * @param shortestUs shortest length taken, microseconds; 0 for any
   * @param longestUs longest length taken, microseconds, up to twelve hours
   * @param marginUs how far under the limit to aim, microseconds
   */
  record Length(long shortestUs, long longestUs, long marginUs) implements Limit {
    private static final int FRAMES_OFF = 2;
    private static final long SECOND = 1_000_000;
    private static final long MOST = 12 * 3600 * SECOND;

    public Length {
      if (longestUs < SECOND || longestUs > MOST) {
        throw new IllegalArgumentException("The longest length is from 1 s to 12 hours.");
      }
      if (marginUs < 0 || marginUs >= longestUs) {
        throw new IllegalArgumentException("The margin is less than the longest length.");
      }
      if (shortestUs < 0 || shortestUs > longestUs - marginUs) {
        throw new IllegalArgumentException(
            "The shortest length is not over the longest less its margin.");
      }
    }

    /** The length to stay under: the limit less the margin. */
    public long aimUs() {
      return longestUs - marginUs;
    }

    @Override
    public List<Check> before(Planned planned) {
      long us = planned.lengthUs();
      if (us == 0) {
        return List.of(Check.fails("length", "nothing is left of this clip"));
      }
      if (us < shortestUs) {
        return List.of(
            Check.fails(
                "length", seconds(us) + " s is under the " + seconds(shortestUs) + " s asked for"));
      }
      if (us > longestUs) {
        String over = seconds(us - aimUs()) + " s over " + seconds(aimUs()) + " s";
        return List.of(Check.fails("length", over).repairedBy(Check.Repair.FIT));
      }
      if (us > aimUs()) {
        return List.of(
            Check.notes(
                "length", seconds(us) + " s is within " + seconds(marginUs) + " s of the limit"));
      }
      return List.of(Check.passes("length", seconds(us) + " s of " + seconds(aimUs()) + " s"));
    }

    @Override
    public List<Check> after(Finished finished) {
      double off = Math.abs(finished.seconds() - finished.plannedUs() / 1e6);
      boolean right =
          off <= FRAMES_OFF / finished.rate().perSecond() && finished.seconds() * 1e6 <= longestUs;
      return List.of(
          Check.of("file length", right, String.format(Locale.ROOT, "%.2f s", finished.seconds())));
    }

    private static String seconds(long us) {
      return String.format(Locale.ROOT, us % 1_000_000 == 0 ? "%.0f" : "%.1f", us / 1e6);
    }
  }

  /** How fast captions may be to read, characters a second. */
  record Reading(double fastest) implements Limit {
    public static final Reading USUAL = new Reading(Breaking.FASTEST_READING);

    @Override
    public List<Check> before(Planned planned) {
      double most =
          planned.cues().stream().mapToDouble(c -> c.charactersPerSecond()).max().orElse(0);
      long tooFast = planned.cues().stream().filter(c -> c.charactersPerSecond() > fastest).count();
      return List.of(
          tooFast == 0
              ? Check.passes(
                  "reading speed",
                  String.format(Locale.ROOT, "at most %.0f characters a second", most))
              : Check.notes(
                  "reading speed",
                  String.format(
                      Locale.ROOT,
                      "%d caption%s faster than %.0f characters a second",
                      tooFast,
                      tooFast == 1 ? " is" : "s are",
                      fastest),
                  Check.Repair.CAPTIONS));
    }

    @Override
    public List<Check> after(Finished finished) {
      return List.of();
    }
  }

  /** The size of the picture, pixels. */
  record PictureSize(int width, int height) implements Limit {
    private static final double NOTICEABLE_ENLARGEMENT = 1.5;
    private static final int LEAST = 64;
    private static final int MOST = 4096;

    /** The least lines of a recording that can be shown this high without one noticing. */
    public static double leastLines(int height) {
      return height / NOTICEABLE_ENLARGEMENT;
    }

    public PictureSize {
      refuseOdd("width", width);
      refuseOdd("height", height);
    }

    private static void refuseOdd(String side, int pixels) {
      if (pixels < LEAST || pixels > MOST || pixels % 2 != 0) {
        throw new IllegalArgumentException(
            "A picture's "
                + side
                + " is an even number of pixels from "
                + LEAST
                + " to "
                + MOST
                + ".");
      }
    }

    @Override
    public List<Check> before(Planned planned) {
      double lines = planned.windowHeight();
      double enlarged = lines == 0 ? 1 : height / lines;
      return List.of(
          enlarged <= NOTICEABLE_ENLARGEMENT
              ? Check.passes(
                  "resolution", String.format(Locale.ROOT, "%.0f lines of the recording", lines))
              : Check.notes(
                  "resolution",
                  String.format(
                      Locale.ROOT,
                      "enlarged %.1f times: the recording has %.0f lines here",
                      enlarged,
                      lines),
                  Check.Repair.FRAME));
    }

    @Override
    public List<Check> after(Finished finished) {
      boolean right = finished.width() == width && finished.height() == height;
      return List.of(Check.of("picture size", right, finished.width() + " x " + finished.height()));
    }
  }

  /**
   * How many frames a second are taken.
   *
   * @param most frames a second
   */
  record Frames(int most) implements Limit {
    private static final int MOST = 120;

    public Frames {
      if (most < 1 || most > MOST) {
        throw new IllegalArgumentException("A frame rate is from 1 to " + MOST + " a second.");
      }
    }

    /**
     * The rate a recording is delivered at: its own, or the nearest whole part of it that is taken.
     */
    public FrameRate of(FrameRate recorded) {
      int part = 1;
      while (recorded.perSecond() / part > most + 1e-9) {
        part++;
      }
      return part == 1
          ? recorded
          : new FrameRate(recorded.numerator(), recorded.denominator() * part);
    }

    @Override
    public List<Check> before(Planned planned) {
      FrameRate delivered = of(planned.rate());
      return delivered.equals(planned.rate())
          ? List.of()
          : List.of(
              Check.notes(
                  "frame rate",
                  String.format(
                      Locale.ROOT,
                      "%.4g frames a second of the recording's %.4g",
                      delivered.perSecond(),
                      planned.rate().perSecond())));
    }

    @Override
    public List<Check> after(Finished finished) {
      double rate = finished.rate().perSecond();
      return rate <= most + 0.01
          ? List.of()
          : List.of(
              Check.fails("frame rate", String.format(Locale.ROOT, "%.4g frames a second", rate)));
    }
  }

  /**
   * How large a file may be.
   *
   * @param mostBytes 1 MB is 1,000,000 of them
   */
  record FileSize(long mostBytes, Codec codec, int soundKbps) implements Limit {
    /** Under this rate H.264 of an upright picture looks broken; common practice. */
    private static final double LEAST_H264_KBPS = 600;

    /** The same of codecs that came after it; common practice. */
    private static final double LEAST_PICTURE_KBPS = 400;

    /** What is left for the picture of a file of a length, kilobits a second. */
    public double pictureKbps(long lengthUs) {
      return allKbps(lengthUs) - soundKbps;
    }

    private double allKbps(long lengthUs) {
      return mostBytes * 8.0 / (lengthUs / 1e6) / 1000;
    }

    @Override
    public List<Check> before(Planned planned) {
      if (planned.lengthUs() == 0) {
        return List.of();
      }
      return List.of(
          codec.hasPicture()
              ? ofFilm(pictureKbps(planned.lengthUs()))
              : ofSound(allKbps(planned.lengthUs())));
    }

    private Check ofFilm(double kbps) {
      if (kbps <= 0) {
        return tooSmall();
      }
      double least = codec == Codec.H264 ? LEAST_H264_KBPS : LEAST_PICTURE_KBPS;
      return kbps < least ? left("picture", kbps, "which will show") : enough();
    }

    private Check ofSound(double kbps) {
      if (kbps < Encoding.LEAST_SOUND_KBPS) {
        return tooSmall();
      }
      return kbps < soundKbps ? left("sound", kbps, "less than its " + soundKbps) : enough();
    }

    private String most() {
      return "at most " + megabytes(mostBytes);
    }

    private Check tooSmall() {
      return Check.fails("file size", most() + " is not enough for the sound alone");
    }

    private Check enough() {
      return Check.passes("file size", most());
    }

    private Check left(String what, double kbps, String consequence) {
      return Check.notes(
          "file size",
          String.format(
              Locale.ROOT, "%s leaves the %s %.0f kbit/s, %s", most(), what, kbps, consequence));
    }

    @Override
    public List<Check> after(Finished finished) {
      return List.of(
          Check.of("file size", finished.bytes() <= mostBytes, megabytes(finished.bytes())));
    }

    private static String megabytes(long bytes) {
      return String.format(Locale.ROOT, "%.1f MB", bytes / 1e6);
    }
  }

  /**
   * How long the texts posted with a file may be, characters (Unicode code points).
   *
   * @param title 0 where there is none
   * @param text 0 where there is none
   * @param tags how many; 0 where there are none
   */
  record Texts(int title, int text, int tags) implements Limit {
    private static final int LONGEST = 10_000;
    private static final int MOST_TAGS = 100;

    /** What ships: long enough for most destinations. */
    public static final Texts ANY = new Texts(100, 2_000, 30);

    public Texts {
      if (title < 0 || title > LONGEST || text < 0 || text > LONGEST) {
        throw new IllegalArgumentException("Texts have up to " + LONGEST + " characters.");
      }
      if (tags < 0 || tags > MOST_TAGS) {
        throw new IllegalArgumentException("There are up to " + MOST_TAGS + " tags.");
      }
    }

    /** Texts as they are taken, shortened where they have to be. */
    public PostTexts of(String wholeTitle, Post post) {
      return PostTexts.shortened(wholeTitle, post, title, text, tags);
    }

    @Override
    public List<Check> before(Planned planned) {
      Post post = planned.post();
      if (post == null) {
        return List.of();
      }
      if (text > 0 && post.text().isEmpty()) {
        return List.of(Check.notes("text", "there is no text to post", Check.Repair.TEXT));
      }
      return text > 0 && length(post.text()) > text
          ? List.of(
              Check.notes(
                  "text",
                  "shortened from " + length(post.text()) + " to " + text + " characters",
                  Check.Repair.TEXT))
          : List.of();
    }

    private static int length(String text) {
      return text.codePointCount(0, text.length());
    }

    @Override
    public List<Check> after(Finished finished) {
      return List.of();
    }
  }

  /** How loud a file has to be. */
  record Loudness(LoudnessTarget target) implements Limit {
    private static final double TOLERANCE_LU = 1.0;

    public Loudness {
      if (!(target.lufs() >= -36 && target.lufs() <= -6)) {
        throw new IllegalArgumentException("Loudness is from -36 to -6 LUFS.");
      }
      if (!(target.ceilingDbtp() >= -12 && target.ceilingDbtp() <= 0)) {
        throw new IllegalArgumentException("A peak is from -12 to 0 dBTP.");
      }
    }

    @Override
    public List<Check> before(Planned planned) {
      return List.of();
    }

    @Override
    public List<Check> after(Finished finished) {
      List<Check> checks = new ArrayList<>();
      checks.add(
          Check.of(
              "loudness",
              Math.abs(finished.lufs() - target.lufs()) <= TOLERANCE_LU,
              String.format(Locale.ROOT, "%.1f LUFS", finished.lufs())));
      checks.add(
          Check.of(
              "true peak",
              finished.truePeakDbtp() <= target.ceilingDbtp(),
              String.format(Locale.ROOT, "%.1f dBTP", finished.truePeakDbtp())));
      return checks;
    }
  }
}
