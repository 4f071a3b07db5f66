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
 * @param backdrop the picture that grounds show which show one; null while there is none
 * @param look what is done to the picture itself
 * @param skin how much the skin of faces is smoothed, 0 to 1
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
    @Nullable Backdrop backdrop,
    Look look,
    @Nullable Double skin,
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
    skin = skin == null ? 0 : skin;
    if (!(skin >= 0 && skin <= 1)) {
      throw new IllegalArgumentException("Skin is smoothed by 0 to 100 %.");
    }
    if (alternating != 0) {
      PushIn.checkShare(alternating);
    }
    if (backdrop == null && showsPicture(behind, layout, set)) {
      throw new IllegalArgumentException("Choose a picture for the ground first.");
    }
  }

  private static boolean showsPicture(@Nullable Ground behind, Layout layout, List<SetFrame> set) {
    return behind == Ground.PICTURE
        || isPictured(layout)
        || set.stream()
            .anyMatch(
                s -> s.shown() instanceof SetFrame.Shown.Laid laid && isPictured(laid.layout()));
  }

  private static boolean isPictured(Layout layout) {
    return layout instanceof Layout.Whole whole && whole.ground() == Ground.PICTURE;
  }

  /** The picture that is seen somewhere as a ground; null where none is. */
  public @Nullable Backdrop shownBackdrop() {
    return showsPicture(behind, layout, set) ? backdrop : null;
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
        null,
        Look.AS_RECORDED,
        0.0,
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
        backdrop,
        look,
        skin,
        colours,
        cameras,
        nextId);
  }

  public Framed with(Manner other) {
    return new Framed(
        shape,
        layout,
        other,
        set,
        pushIns,
        alternating,
        behind,
        backdrop,
        look,
        skin,
        colours,
        cameras,
        nextId);
  }

  /** With another picture for grounds. */
  public Framed with(Backdrop other) {
    return new Framed(
        shape,
        layout,
        manner,
        set,
        pushIns,
        alternating,
        behind,
        other,
        look,
        skin,
        colours,
        cameras,
        nextId);
  }

  /** With another ground behind people; null for what was recorded. */
  public Framed withBehind(@Nullable Ground other) {
    return new Framed(
        shape,
        layout,
        manner,
        set,
        pushIns,
        alternating,
        other,
        backdrop,
        look,
        skin,
        colours,
        cameras,
        nextId);
  }

  /** With skin smoothed by an amount, 0 to 1. */
  public Framed withSkin(double smoothed) {
    return new Framed(
        shape,
        layout,
        manner,
        set,
        pushIns,
        alternating,
        behind,
        backdrop,
        look,
        smoothed,
        colours,
        cameras,
        nextId);
  }

  Framed with(Look other) {
    return new Framed(
        shape,
        layout,
        manner,
        set,
        pushIns,
        alternating,
        behind,
        backdrop,
        other,
        skin,
        colours,
        cameras,
        nextId);
  }

  public Framed with(CameraColours other) {
    return new Framed(
        shape,
        layout,
        manner,
        set,
        pushIns,
        alternating,
        behind,
        backdrop,
        look,
        skin,
        other,
        cameras,
        nextId);
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
        backdrop,
        look,
        skin,
        colours,
        cameras,
        nextId);
  }

  Framed withPushIns(List<PushIn> others) {
    return new Framed(
        shape,
        layout,
        manner,
        set,
        others,
        alternating,
        behind,
        backdrop,
        look,
        skin,
        colours,
        cameras,
        nextId);
  }

  public Framed withAlternating(double share) {
    return new Framed(
        shape, layout, manner, set, pushIns, share, behind, backdrop, look, skin, colours, cameras,
        nextId);
  }

  Framed withCameras(List<CameraCut> others) {
    return new Framed(
        shape,
        layout,
        manner,
        set,
        pushIns,
        alternating,
        behind,
        backdrop,
        look,
        skin,
        colours,
        others,
        nextId);
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
        backdrop,
        look,
        skin,
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
        backdrop,
        look,
        skin,
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
        shape,
        layout,
        manner,
        set,
        all,
        alternating,
        behind,
        backdrop,
        look,
        skin,
        colours,
        cameras,
        next);
  }
}
