package paringknife.core.clip;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import paringknife.core.dress.LaidOver;
import paringknife.core.dress.Logo;
import paringknife.core.dress.Names;
import paringknife.core.frame.Backdrop;
import paringknife.core.frame.FrameIntent;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Ground;
import paringknife.core.frame.Manner;
import paringknife.core.frame.PushInHabit;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.style.Face;
import paringknife.core.letter.style.Style;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.listen.clean.Sounded;

/**
 * How a show's clips look and sound: what is decided once and holds for all of them. Single
 * settings of a clip, its caption edits and frames set by hand, are never part of it.
 *
 * @param style what was changed of the lettering; null for as it is
 * @param breaking what was changed of how captions break; null for as the lettering does
 * @param leavesOut what is left out of captions; null for nothing
 * @param use where captions go; null for into the picture and beside it
 * @param manner how windows move and how near they come
 * @param pushIns how often and how far they come nearer; null for never
 * @param cleanup what is done to the voice
 * @param logo what stands in a corner; null for nothing
 * @param names whether names of speakers are shown, and in what; null for not
 * @param callOuts what call-outs are set in; null for what is usual
 * @param behind what is seen behind people; null for what was recorded
 * @param backdrop the picture for grounds; null where a clip keeps its own
 */
public record HouseStyle(
    String lettering,
    @Nullable Style style,
    @Nullable Breaking breaking,
    Lettered.@Nullable LeftOut leavesOut,
    @Nullable CaptionUse use,
    Manner manner,
    @Nullable PushInHabit pushIns,
    Cleanup cleanup,
    @Nullable Logo logo,
    @Nullable Names names,
    @Nullable String callOuts,
    @Nullable Ground behind,
    @Nullable Backdrop backdrop) {

  /** Styles that were written before there were names and call-outs have the usual ones. */
  public HouseStyle {
    pushIns = pushIns == null ? PushInHabit.NONE : pushIns;
    names = names == null ? Names.NONE : names;
    callOuts = callOuts == null ? LaidOver.USUAL_LETTERING : callOuts;
    Letterings.byId(callOuts);
    if (behind == Ground.PICTURE && backdrop == null) {
      throw new IllegalArgumentException("This style's ground is a picture that is not there.");
    }
  }

  /** What of a clip a house style decides. */
  public enum Part {
    LETTERING,
    BREAKS,
    CAPTION_USE,
    FRAME,
    GROUND,
    PUSH_INS,
    SOUND,
    LOGO,
    NAMES,
    CALL_OUTS
  }

  /** As a clip has it. */
  public static HouseStyle of(ClipDocument clip) {
    Lettered lettered = clip.lettered();
    return new HouseStyle(
        lettered.lettering(),
        lettered.style(),
        lettered.breaking(),
        lettered.leavesOut(),
        lettered.use(),
        clip.framed().manner(),
        PushInHabit.of(clip.framed()),
        clip.sounded().cleanup(),
        clip.laidOver().logo(),
        clip.laidOver().names(),
        clip.laidOver().callOutLettering(),
        clip.framed().behind(),
        clip.framed().backdrop());
  }

  /** Captions in some way; all else as is usual. */
  public static HouseStyle of(Lettered lettered) {
    return new HouseStyle(
        lettered.lettering(),
        lettered.style(),
        lettered.breaking(),
        lettered.leavesOut(),
        lettered.use(),
        Manner.USUAL,
        PushInHabit.NONE,
        Cleanup.NONE,
        null,
        Names.NONE,
        LaidOver.USUAL_LETTERING,
        null,
        null);
  }

  /** The same with another logo. */
  public HouseStyle withLogo(Logo changed) {
    return new HouseStyle(
        lettering, style, breaking, leavesOut, use, manner, pushIns, cleanup, changed, names,
        callOuts, behind, backdrop);
  }

  /** The same with another picture for grounds. */
  public HouseStyle withBackdrop(Backdrop changed) {
    return new HouseStyle(
        lettering, style, breaking, leavesOut, use, manner, pushIns, cleanup, logo, names, callOuts,
        behind, changed);
  }

  /** Captions in this style, none of them edited. */
  public Lettered lettered() {
    return new Lettered(lettering, style, breaking, leavesOut, use, Map.of(), Map.of());
  }

  /** A clip in this style but for push-ins on words; what is single in it stays. */
  public ClipDocument on(ClipDocument clip) {
    return clip.with(lettered().withSingle(clip.lettered()))
        .with(framed(clip.framed()))
        .with(clip.laidOver().with(logo).with(names).setIn(callOuts))
        .with(new Sounded(cleanup));
  }

  private Framed framed(Framed framed) {
    Framed pictured = backdrop == null ? framed : framed.with(backdrop);
    return pictured.with(manner).withBehind(behind).withAlternating(pushIns.alternating());
  }

  /** A clip in this style, push-ins on its strongest words among it. */
  public ClipDocument on(ClipDocument clip, ClipDesk desk) {
    ClipDocument styled = on(clip);
    if (PushInHabit.of(clip.framed()).equals(pushIns)) {
      return styled;
    }
    ClipDocument still = styled.with(pushIns.onJoins(styled.framed()));
    return pushIns.share() == 0
        ? still
        : desk.apply(still, new FrameIntent.ProposePushIns(pushIns.share(), pushIns.move()));
  }

  /** The families of fonts that were chosen for it, beyond those of its lettering. */
  public List<String> families() {
    if (style == null) {
      return List.of();
    }
    Face lower = style.lowerFace();
    return lower == null
        ? List.of(style.face().family())
        : List.of(style.face().family(), lower.family());
  }

  /** What of a clip would change. */
  public List<Part> changes(ClipDocument clip) {
    HouseStyle own = of(clip);
    List<Part> parts = new ArrayList<>();
    if (!lettering.equals(own.lettering) || !Objects.equals(style, own.style)) {
      parts.add(Part.LETTERING);
    }
    if (!Objects.equals(breaking, own.breaking)) {
      parts.add(Part.BREAKS);
    }
    if (use != own.use || !Objects.equals(leavesOut, own.leavesOut)) {
      parts.add(Part.CAPTION_USE);
    }
    if (!manner.equals(own.manner)) {
      parts.add(Part.FRAME);
    }
    if (behind != own.behind || (backdrop != null && !backdrop.equals(own.backdrop))) {
      parts.add(Part.GROUND);
    }
    if (!pushIns.equals(own.pushIns)) {
      parts.add(Part.PUSH_INS);
    }
    if (!Objects.equals(logo, own.logo)) {
      parts.add(Part.LOGO);
    }
    if (!Objects.equals(names, own.names)) {
      parts.add(Part.NAMES);
    }
    if (!Objects.equals(callOuts, own.callOuts)) {
      parts.add(Part.CALL_OUTS);
    }
    if (!cleanup.equals(own.cleanup)) {
      parts.add(Part.SOUND);
    }
    return parts;
  }

  /**
   * How many settings of a clip are single and stay: caption edits, frames set by hand, call-outs.
   */
  public static int single(ClipDocument clip) {
    return clip.lettered().edits().values().stream().mapToInt(List::size).sum()
        + clip.framed().set().size()
        + clip.laidOver().callOuts().size();
  }
}
