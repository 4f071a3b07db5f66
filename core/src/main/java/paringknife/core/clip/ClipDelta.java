package paringknife.core.clip;

import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.Delivered;
import paringknife.core.dress.LaidOver;
import paringknife.core.frame.Framed;
import paringknife.core.letter.Lettered;
import paringknife.core.listen.clean.Sounded;
import paringknife.core.pare.ParedDelta;
import paringknife.core.steps.Delta;

/**
 * The difference between two states of a clip: the sections that changed, null for those that did
 * not. Undo applies it backwards, redo forwards.
 */
public record ClipDelta(
    @Nullable ParedDelta pared,
    @Nullable Change<Framed> framed,
    @Nullable Change<Lettered> lettered,
    @Nullable Change<LaidOver> laidOver,
    @Nullable Change<Sounded> sounded,
    @Nullable Change<Delivered> delivered)
    implements Delta<ClipDocument> {

  /** A section before and after. */
  public record Change<S>(S was, S is) {
    static <S> @Nullable Change<S> between(S was, S is) {
      return was.equals(is) ? null : new Change<>(was, is);
    }
  }

  public static ClipDelta between(ClipDocument before, ClipDocument after) {
    ParedDelta pared = ParedDelta.between(before.pared(), after.pared());
    return new ClipDelta(
        pared.changesNothing() ? null : pared,
        Change.between(before.framed(), after.framed()),
        Change.between(before.lettered(), after.lettered()),
        Change.between(before.laidOver(), after.laidOver()),
        Change.between(before.sounded(), after.sounded()),
        Change.between(before.delivered(), after.delivered()));
  }

  @Override
  public boolean changesNothing() {
    return pared == null
        && Stream.of(framed, lettered, laidOver, sounded, delivered).allMatch(c -> c == null);
  }

  @Override
  public ClipDocument forwards(ClipDocument document) {
    return new ClipDocument(
        document.schema(),
        pared == null ? document.pared() : pared.forwards(document.pared()),
        framed == null ? document.framed() : framed.is(),
        lettered == null ? document.lettered() : lettered.is(),
        laidOver == null ? document.laidOver() : laidOver.is(),
        sounded == null ? document.sounded() : sounded.is(),
        delivered == null ? document.delivered() : delivered.is());
  }

  @Override
  public ClipDocument backwards(ClipDocument document) {
    return new ClipDocument(
        document.schema(),
        pared == null ? document.pared() : pared.backwards(document.pared()),
        framed == null ? document.framed() : framed.was(),
        lettered == null ? document.lettered() : lettered.was(),
        laidOver == null ? document.laidOver() : laidOver.was(),
        sounded == null ? document.sounded() : sounded.was(),
        delivered == null ? document.delivered() : delivered.was());
  }
}
