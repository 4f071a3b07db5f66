package paringknife.core.frame;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.CutList;
import paringknife.core.frame.cameras.CameraCut;
import paringknife.core.frame.colour.CameraColours;
import paringknife.core.frame.colour.Look;
import paringknife.core.steps.Intent;
import paringknife.core.time.Span;

/** What a producer wants done to the framing of a clip. */
public sealed interface FrameIntent extends Intent {
  /**
   * The framing after this was done.
   *
   * @param cuts what of the clip plays
   */
  Framed apply(Framed framed, CutList cuts, FrameDesk desk);

  /** Choose the shape on the plate, written like {@code 9:16}, and who is seen. */
  record Reframe(String shape, Layout layout) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      layout.check(desk.people());
      return framed.with(Shape.parse(shape), layout);
    }

    @Override
    public String label() {
      return "reframe";
    }
  }

  /**
   * Choose how lively windows are, how near they come and what lies between them.
   *
   * @param divider null to leave it as it is
   */
  record SetManner(Liveliness liveliness, Tightness tightness, @Nullable Divider divider)
      implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      return framed.with(
          new Manner(liveliness, tightness, divider == null ? framed.manner().divider() : divider));
    }

    @Override
    public String label() {
      return "set how the frame moves";
    }
  }

  /** Set by hand what is seen, where it holds. */
  record SetByHand(SetFrame.Extent extent, SetFrame.Shown shown) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      if (extent instanceof SetFrame.Extent.Stretch stretch) {
        desk.within(stretch.span());
      }
      if (shown instanceof SetFrame.Shown.Laid laid) {
        laid.layout().check(desk.people());
      }
      if (shown instanceof SetFrame.Shown.Travel && !(extent instanceof SetFrame.Extent.Stretch)) {
        throw new IllegalArgumentException("A window travels from one time to another.");
      }
      return framed.and(extent, shown);
    }

    @Override
    public String label() {
      return "set the frame";
    }
  }

  /** Let go of what was set by hand. */
  record LetGo(List<Long> ids) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      Set<Long> gone = new HashSet<>(ids);
      return framed.withSet(framed.set().stream().filter(s -> !gone.contains(s.id())).toList());
    }

    @Override
    public String label() {
      return "let the frame go";
    }
  }

  /** Come nearer for some words. */
  record PushInOn(Span span, double share, PushIn.Move move, Curve curve) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      PushIn made = new PushIn(0, desk.within(span), share, move, curve, PushIn.Why.BY_HAND, true);
      return framed.and(List.of(made));
    }

    @Override
    public String label() {
      return "push in";
    }
  }

  /** Change a push-in: where, how much, how, and whether it is done. */
  record ChangePushIn(long id, Span span, double share, PushIn.Move move, Curve curve, boolean on)
      implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      desk.within(span);
      return framed.withPushIns(
          framed.pushIns().stream()
              .map(p -> p.id() == id ? new PushIn(id, span, share, move, curve, p.why(), on) : p)
              .toList());
    }

    @Override
    public String label() {
      return "change a push-in";
    }
  }

  /** Take push-ins away. */
  record DropPushIns(List<Long> ids) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      Set<Long> gone = new HashSet<>(ids);
      return framed.withPushIns(
          framed.pushIns().stream().filter(p -> !gone.contains(p.id())).toList());
    }

    @Override
    public String label() {
      return ids.size() == 1 ? "take a push-in away" : "take push-ins away";
    }
  }

  /** Push in on the strongest words; those proposed before give way, those by hand stay. */
  record ProposePushIns(double share, PushIn.Move move) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      PushIn.checkShare(share);
      List<PushIn> kept =
          framed.pushIns().stream().filter(p -> p.why() == PushIn.Why.BY_HAND).toList();
      List<PushIn> proposed =
          desk.pushIns().propose(cuts, share, move).stream()
              .filter(p -> kept.stream().noneMatch(k -> k.span().overlaps(p.span())))
              .toList();
      return framed.withPushIns(kept).and(proposed);
    }

    @Override
    public String label() {
      return "propose push-ins";
    }
  }

  /** Let sizes alternate at joins; 0 for not at all. */
  record Alternate(double share) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      return framed.withAlternating(share);
    }

    @Override
    public String label() {
      return share == 0 ? "one size at joins" : "alternate sizes at joins";
    }
  }

  /** Change the picture itself. */
  record ChangeLook(Look look) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      return framed.with(look);
    }

    @Override
    public String label() {
      return "change the picture";
    }
  }

  /**
   * Exchange the ground behind people.
   *
   * @param ground null for what was recorded
   */
  record ChangeBehind(@Nullable Ground ground) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      if (ground != null && desk.people() == 0) {
        throw new IllegalArgumentException("There is nobody in the picture to stand before it.");
      }
      return framed.withBehind(ground);
    }

    @Override
    public String label() {
      return ground == null ? "the ground as recorded" : "exchange the ground";
    }
  }

  /** Choose the picture that grounds show which show one. */
  record ChooseBackdrop(Backdrop backdrop) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      return framed.with(backdrop);
    }

    @Override
    public String label() {
      return "choose a backdrop";
    }
  }

  /**
   * Smooth the skin of faces.
   *
   * @param amount 0 for not at all to 1
   */
  record SmoothSkin(double amount) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      if (amount != 0 && desk.people() == 0) {
        throw new IllegalArgumentException("There is nobody in the picture.");
      }
      return framed.withSkin(amount);
    }

    @Override
    public String label() {
      return amount == 0 ? "skin as recorded" : "smooth skin";
    }
  }

  /** Change the picture of one of the cameras. */
  record ChangeCameraLook(int camera, Look look) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      if (camera < 0 || camera >= desk.cameras()) {
        throw new IllegalArgumentException("There is no such camera.");
      }
      return framed.with(framed.colours().with(camera, look));
    }

    @Override
    public String label() {
      return "change a camera's picture";
    }
  }

  /** Make cameras look like one of them, or again as they were recorded (-1). */
  record MatchColours(int camera) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      CameraColours matched =
          camera == CameraColours.TO_NONE
              ? CameraColours.AS_RECORDED
              : CameraColours.to(camera, desk.colours().ofCameras());
      return framed.with(matched.withLooksOf(framed.colours()));
    }

    @Override
    public String label() {
      return camera == CameraColours.TO_NONE ? "cameras as recorded" : "match the cameras";
    }
  }

  /** See a camera from a time on, or again whichever is best (-1). */
  record CutTo(long atUs, int camera) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      if (camera >= desk.cameras()) {
        throw new IllegalArgumentException("There is no such camera.");
      }
      if (atUs < 0 || atUs > desk.durationUs()) {
        throw new IllegalArgumentException("That is not within the episode.");
      }
      return framed.cutTo(atUs, camera);
    }

    @Override
    public String label() {
      return camera == CameraCut.BY_ITSELF ? "cameras by themselves" : "cut to a camera";
    }
  }

  /** Let go of cameras that were set. */
  record DropCameraCuts(List<Long> ids) implements FrameIntent {
    @Override
    public Framed apply(Framed framed, CutList cuts, FrameDesk desk) {
      Set<Long> gone = new HashSet<>(ids);
      return framed.withCameras(
          framed.cameras().stream().filter(c -> !gone.contains(c.id())).toList());
    }

    @Override
    public String label() {
      return "let a camera go";
    }
  }
}
