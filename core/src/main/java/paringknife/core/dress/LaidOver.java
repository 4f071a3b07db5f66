package paringknife.core.dress;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.letter.drawn.Letterings;

/**
 * The section of a clip that says what is laid over it.
 *
 * @param logo null for none
 * @param names of those who speak
 * @param callOutLettering what call-outs are set in, by its id
 * @param callOuts by the words that they go with; no two begin with the same one
 */
public record LaidOver(
    @Nullable Logo logo, Names names, String callOutLettering, List<CallOut> callOuts) {
  static final int MOST = 100;

  /** What call-outs are set in unless somebody chose otherwise. */
  public static final String USUAL_LETTERING = Letterings.BROADSIDE.id();

  public static final LaidOver NOTHING = new LaidOver(null, Names.NONE, USUAL_LETTERING, List.of());

  /** Clips that were written before there were names and call-outs have none. */
  public LaidOver {
    names = names == null ? Names.NONE : names;
    callOutLettering = callOutLettering == null ? USUAL_LETTERING : callOutLettering;
    callOuts = callOuts == null ? List.of() : List.copyOf(callOuts);
    Letterings.byId(callOutLettering);
    if (callOuts.size() > MOST) {
      throw new IllegalArgumentException("A clip has up to " + MOST + " call-outs.");
    }
  }

  public LaidOver with(@Nullable Logo changed) {
    return new LaidOver(changed, names, callOutLettering, callOuts);
  }

  public LaidOver with(Names changed) {
    return new LaidOver(logo, changed, callOutLettering, callOuts);
  }

  /** Call-outs in another lettering. */
  public LaidOver setIn(String lettering) {
    return new LaidOver(logo, names, lettering, callOuts);
  }

  /** With a call-out, instead of one that begins with the same word. */
  public LaidOver with(CallOut callOut) {
    List<CallOut> changed = new ArrayList<>(without(callOut.firstWord()).callOuts);
    changed.add(callOut);
    return new LaidOver(logo, names, callOutLettering, changed);
  }

  /** Without the call-out that begins with a word. */
  public LaidOver without(long firstWord) {
    return new LaidOver(
        logo,
        names,
        callOutLettering,
        callOuts.stream().filter(c -> c.firstWord() != firstWord).toList());
  }
}
