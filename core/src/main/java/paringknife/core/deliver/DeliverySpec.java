package paringknife.core.deliver;

import java.util.List;
import java.util.stream.Stream;
import paringknife.core.frame.Shape;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.SafeArea;

/**
 * What one destination takes.
 *
 * @param id stable name, lower case
 * @param name shown to the producer
 * @param shape aspect ratio
 * @param canvas size of the picture, and where captions keep out of
 * @param length how long a file may be
 * @param frames how many frames a second are taken
 * @param loudness how loud it has to be
 * @param encoding how it is encoded
 */
public record DeliverySpec(
    String id,
    String name,
    Shape shape,
    Canvas canvas,
    Limit.Length length,
    Limit.Frames frames,
    Limit.Loudness loudness,
    Encoding encoding) {

  /** A spec of a picture and a length; all else as most destinations have it. */
  public static DeliverySpec of(
      String id, String name, Shape shape, int width, int height, long longestUs, SafeArea safe) {
    return new DeliverySpec(
        id,
        name,
        shape,
        new Canvas(width, height, safe),
        new Limit.Length(longestUs, DeliverySpecs.MARGIN_US),
        new Limit.Frames(DeliverySpecs.MOST_FRAMES),
        new Limit.Loudness(DeliverySpecs.LOUDNESS),
        Encoding.H264_AAC);
  }

  /** All that has to be right, in the order in which it is told. */
  public List<Limit> limits() {
    return List.of(
        length,
        Limit.Reading.USUAL,
        new Limit.PictureSize(canvas.width(), canvas.height()),
        frames,
        loudness);
  }

  /** Says before rendering whether a clip will pass. */
  public List<Check> preflight(Planned planned) {
    return limits().stream().flatMap(l -> l.before(planned).stream()).toList();
  }

  /** Holds a finished file against what was asked for. */
  public List<Check> measured(Finished finished) {
    return limits().stream().flatMap(l -> l.after(finished).stream()).toList();
  }

  /** All that changes the file but not its limits; specs that are alike in it share one file. */
  public List<Object> makes() {
    return Stream.of(canvas, frames, loudness, encoding).map(Object.class::cast).toList();
  }
}
