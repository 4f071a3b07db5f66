package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import paringknife.core.time.Span;

/**
 * What is seen during a part of a shot.
 *
 * @param person who speaks; -1 for nobody seen
 * @param way where a travelling window begins and ends, however the stretch is parted
 */
record ShownTurn(Span span, SetFrame.Shown shown, int person, Span way, long setBy) {
  static ShownTurn of(Span span, Layout layout, int person) {
    return new ShownTurn(span, new SetFrame.Shown.Laid(layout), person, span, FramePath.BY_ITSELF);
  }

  private ShownTurn during(Span part) {
    return new ShownTurn(part, shown, person, way, setBy);
  }

  /** Turns in which something else is seen for a while. */
  static List<ShownTurn> with(
      List<ShownTurn> turns, Span other, Function<ShownTurn, List<ShownTurn>> made) {
    List<ShownTurn> result = new ArrayList<>();
    for (ShownTurn turn : turns) {
      long from = Math.max(turn.span().startUs(), other.startUs());
      long to = Math.min(turn.span().endUs(), other.endUs());
      if (from >= to) {
        result.add(turn);
        continue;
      }
      if (turn.span().startUs() < from) {
        result.add(turn.during(new Span(turn.span().startUs(), from)));
      }
      result.addAll(made.apply(turn.during(new Span(from, to))));
      if (to < turn.span().endUs()) {
        result.add(turn.during(new Span(to, turn.span().endUs())));
      }
    }
    return result;
  }
}
