package paringknife.core.deliver;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.cover.CoverSize;
import paringknife.core.frame.Shape;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.writing.OneLine;

/**
 * What one destination takes.
 *
 * @param id stable name: small letters, digits and hyphens
 * @param name shown to the producer, up to {@value #LONGEST_NAME} characters
 * @param canvas size of the picture, and where captions keep out of
 * @param enlarges whether a picture of fewer lines is enlarged to that size; if not, the file is as
 *     large as the recording makes it
 * @param length how long a file may be
 * @param frames how many frames a second are taken
 * @param loudness how loud it has to be
 * @param captions where captions go, whatever the clip says; null as it says
 * @param texts how long the texts posted with it may be
 * @param cover how large its cover is; null for as large as the film
 * @param encoding how it is encoded
 */
public record DeliverySpec(
    String id,
    String name,
    Canvas canvas,
    boolean enlarges,
    Limit.Length length,
    Limit.Frames frames,
    Limit.Loudness loudness,
    @Nullable CaptionUse captions,
    Limit.Texts texts,
    @Nullable CoverSize cover,
    Encoding encoding) {
  static final int LONGEST_NAME = 60;
  private static final int LONGEST_ID = 80;

  public DeliverySpec {
    name = OneLine.of(name);
    if (name.isEmpty() || name.length() > LONGEST_NAME) {
      throw new IllegalArgumentException(
          "A spec needs a name of up to " + LONGEST_NAME + " characters.");
    }
    if (id.isEmpty() || id.length() > LONGEST_ID || !id.equals(FileNames.part(id))) {
      throw new IllegalArgumentException(
          "A spec's id has small letters, digits and single hyphens, up to "
              + LONGEST_ID
              + " of them.");
    }
    if (KeptPieces.byId(id).isPresent()) {
      throw new IllegalArgumentException(id + " is the name of something else; take another.");
    }
    // Refuses what no picture can be.
    new Limit.PictureSize(canvas.width(), canvas.height());
    Shape.of(canvas.width(), canvas.height());
  }

  /** A spec of a picture and a length; all else as most destinations have it. */
  public static DeliverySpec of(
      String id, String name, int width, int height, long longestUs, SafeArea safe) {
    return new DeliverySpec(
        id,
        name,
        new Canvas(width, height, safe),
        true,
        new Limit.Length(0, longestUs, DeliverySpecs.MARGIN_US),
        new Limit.Frames(DeliverySpecs.MOST_FRAMES),
        new Limit.Loudness(DeliverySpecs.LOUDNESS),
        null,
        Limit.Texts.ANY,
        null,
        Encoding.H264_AAC);
  }

  /** The aspect ratio of its picture. */
  public Shape shape() {
    return Shape.of(canvas.width(), canvas.height());
  }

  /** All that has to be right, in the order in which it is told. */
  public List<Limit> limits() {
    List<Limit> limits = new ArrayList<>(List.of(length));
    if (encoding.codec().hasPicture()) {
      limits.add(Limit.Reading.USUAL);
      limits.add(new Limit.PictureSize(canvas.width(), canvas.height()));
      limits.add(frames);
    }
    if (encoding.mostBytes() != null) {
      limits.add(new Limit.FileSize(encoding.mostBytes(), encoding.codec(), encoding.soundKbps()));
    }
    limits.add(texts);
    limits.add(loudness);
    return limits;
  }

  /** Says before rendering whether a clip will pass. */
  public List<Check> preflight(Planned planned) {
    return Stream.concat(
            encodable().stream(), limits().stream().flatMap(l -> l.before(planned).stream()))
        .toList();
  }

  private Optional<Check> encodable() {
    Codec codec = encoding.codec();
    return codec.hasPicture() && leastShare() > 1
        ? Optional.of(
            Check.fails(
                "codec",
                "makes pictures of "
                    + codec.leastWidth()
                    + " x "
                    + codec.leastHeight()
                    + " and more"))
        : Optional.empty();
  }

  /** The share of its canvas that its codec takes at least. */
  private double leastShare() {
    return Math.max(
        encoding.codec().leastWidth() / (double) canvas.width(),
        encoding.codec().leastHeight() / (double) canvas.height());
  }

  /** Holds a finished file against what was asked for. */
  public List<Check> measured(Finished finished) {
    return limits().stream().flatMap(l -> l.after(finished).stream()).toList();
  }

  /** All that changes the file but not its limits; specs that are alike in it share one file. */
  public List<Object> makes() {
    return Stream.of(canvas, frames, loudness, String.valueOf(captions), encoding)
        .map(Object.class::cast)
        .toList();
  }

  /**
   * As it comes out for a picture of so many lines: no larger than that, unless it enlarges or its
   * codec takes none that are so small.
   *
   * @param lines of the recording in the smallest window; 0 where there is no picture
   */
  public DeliverySpec within(double lines) {
    if (enlarges || lines <= 0) {
      return this;
    }
    double share = Math.max(leastShare(), lines / canvas.height());
    return share >= 1 ? this : withCanvas(canvas.smaller(share));
  }

  private DeliverySpec withCanvas(Canvas changed) {
    return new DeliverySpec(
        id, name, changed, enlarges, length, frames, loudness, captions, texts, cover, encoding);
  }

  /** The same under another id and name. */
  public DeliverySpec named(String otherId, String otherName) {
    return new DeliverySpec(
        otherId, otherName, canvas, enlarges, length, frames, loudness, captions, texts, cover,
        encoding);
  }

  /** What its cover is drawn as: nothing covers a still of a size of its own. */
  public DeliverySpec ofCover() {
    return cover == null
        ? this
        : new DeliverySpec(
            id,
            name,
            new Canvas(cover.width(), cover.height(), SafeArea.PLAIN),
            true,
            length,
            frames,
            loudness,
            captions,
            texts,
            cover,
            encoding);
  }
}
