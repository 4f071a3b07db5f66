package paringknife.core.frame;

import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import paringknife.core.frame.cameras.CameraCut;
import paringknife.core.frame.colour.CameraColours;
import paringknife.core.frame.colour.Look;

/**
 * The section of a clip that says how it is framed.
 *
 * @param shape the aspect ratio shown on the plate
 * @param layout who is seen
 * @param manner how windows go along with them
 * @param set what was set by hand
 * @param pushIns in order of time
 * @param alternating how much nearer every second piece is between joins within one shot; 0 for not
 *     at all
 * @param behind what is seen behind people; null for what was recorded
 * @param look what is done to the picture itself
 * @param colours whether cameras are made to look alike
 * @param cameras which cameras are seen, where that was set
 * @param nextId names the next thing set, or push-in
 */
public record Framed(
    Shape shape,
    Layout layout,
    Manner manner,
    List<SetFrame> set,
    List<PushIn> pushIns,
    double alternating,
    @Nullable Ground behind,
    Look look,
    @Nullable CameraColours colours,
    List<CameraCut> cameras,
    long nextId) {
  private static final int MOST = 500;

  /** Upright, on whoever speaks. */
  public static final Framed UPRIGHT = of(new Shape(9, 16), Layout.SPEAKER);

  public Framed {
    set = List.copyOf(set);
    cameras = List.copyOf(cameras);
    colours = colours == null ? CameraColours.AS_RECORDED : colours;
    pushIns =
        pushIns.stream()
            .sorted((a, b) -> Long.compare(a.span().startUs(), b.span().startUs()))
            .toList();
    if (set.size() > MOST || pushIns.size() > MOST || cameras.size() > MOST) {
      throw new IllegalArgumentException("A clip holds up to " + MOST + " of these.");
    }
    if (alternating != 0) {
      PushIn.checkShare(alternating);
    }
  }

  /** People in a shape, by themselves. */
  public static Framed of(Shape shape, Layout layout) {
    return new Framed(
        shape,
        layout,
        Manner.USUAL,
        List.of(),
        List.of(),
        0,
        null,
        Look.AS_RECORDED,
        CameraColours.AS_RECORDED,
        List.of(),
        1);
  }

  public Framed with(Shape otherShape, Layout other) {
    return new Framed(
        otherShape,
        other,
        manner,
        set,
        pushIns,
        alternating,
        behind,
        look,
        colours,
        cameras,
        nextId);
  }

  public Framed with(Manner other) {
    return new Framed(
        shape, layout, other, set, pushIns, alternating, behind, look, colours, cameras, nextId);
  }

  /** With another ground behind people; null for what was recorded. */
  public Framed withBehind(@Nullable Ground other) {
    return new Framed(
        shape, layout, manner, set, pushIns, alternating, other, look, colours, cameras, nextId);
  }

  Framed with(Look other) {
    return new Framed(
        shape, layout, manner, set, pushIns, alternating, behind, other, colours, cameras, nextId);
  }

  public Framed with(CameraColours other) {
    return new Framed(
        shape, layout, manner, set, pushIns, alternating, behind, look, other, cameras, nextId);
  }

  Framed withSet(List<SetFrame> others) {
    return new Framed(
        shape,
        layout,
        manner,
        others,
        pushIns,
        alternating,
        behind,
        look,
        colours,
        cameras,
        nextId);
  }

  Framed withPushIns(List<PushIn> others) {
    return new Framed(
        shape, layout, manner, set, others, alternating, behind, look, colours, cameras, nextId);
  }

  public Framed withAlternating(double share) {
    return new Framed(
        shape, layout, manner, set, pushIns, share, behind, look, colours, cameras, nextId);
  }

  Framed withCameras(List<CameraCut> others) {
    return new Framed(
        shape, layout, manner, set, pushIns, alternating, behind, look, colours, others, nextId);
  }

  /** With a camera from a time on; it takes the place of what was set for that time. */
  Framed cutTo(long atUs, int camera) {
    Stream<CameraCut> others = cameras.stream().filter(c -> c.atUs() != atUs);
    CameraCut cut = new CameraCut(nextId, atUs, camera);
    return new Framed(
        shape,
        layout,
        manner,
        set,
        pushIns,
        alternating,
        behind,
        look,
        colours,
        Stream.concat(others, Stream.of(cut)).toList(),
        nextId + 1);
  }

  /** With something set by hand besides; it takes the place of what held for just the same. */
  Framed and(SetFrame.Extent extent, SetFrame.Shown shown) {
    Stream<SetFrame> others = set.stream().filter(s -> !s.extent().equals(extent));
    SetFrame added = new SetFrame(nextId, extent, shown);
    return new Framed(
        shape,
        layout,
        manner,
        Stream.concat(others, Stream.of(added)).toList(),
        pushIns,
        alternating,
        behind,
        look,
        colours,
        cameras,
        nextId + 1);
  }

  /** With more push-ins; they get names of their own. */
  public Framed and(List<PushIn> added) {
    long next = nextId;
    List<PushIn> all = new java.util.ArrayList<>(pushIns);
    for (PushIn pushIn : added) {
      all.add(pushIn.withId(next++));
    }
    return new Framed(
        shape, layout, manner, set, all, alternating, behind, look, colours, cameras, next);
  }
}
