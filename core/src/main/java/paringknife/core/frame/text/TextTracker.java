package paringknife.core.frame.text;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Follows what may be text from one looked-at picture to the next. What stays where it is comes up
 * for a closer look, once; what comes and goes never does.
 */
public final class TextTracker {
  private static final double SAME = 0.5;

  /** Standing so long, something is looked at closely. */
  private static final long STANDS_US = 900_000;

  /** Something that is not found for so long is gone. */
  private static final long GONE_US = 2_500_000;

  /** What turned out to be no text is looked at again after so long. */
  private static final long REFUTED_US = 60_000_000;

  private final long stepUs;
  private final List<Standing> standing = new ArrayList<>();
  private final List<Refuted> refuted = new ArrayList<>();
  private final List<SeenText> seen = new ArrayList<>();

  /**
   * @param stepUs from one looked-at picture to the next
   */
  public TextTracker(long stepUs) {
    this.stepUs = stepUs;
  }

  private record Refuted(TextBox box, long atUs) {}

  /** Something that has stood for a while and may be text. */
  public final class Standing {
    private final long fromUs;
    private long lastUs;
    private TextBox box;
    private boolean isLookedAt;
    private @Nullable TextBox text;

    private Standing(TextBox box, long us) {
      this.box = box;
      this.fromUs = us;
      this.lastUs = us;
    }

    /** Where it is. */
    public TextBox box() {
      return box;
    }

    /** Whether it was found at that moment. */
    public boolean isThere(long us) {
      return lastUs == us;
    }

    /** It is there still, though it was not found. */
    public void stays(long us) {
      lastUs = us;
    }

    /** It is text, and stands just here. */
    public void isText(TextBox exactly) {
      text = exactly;
    }

    /** It only looks like text. */
    public void isNoText() {
      refuted.add(new Refuted(box, lastUs));
    }

    private void end() {
      if (text != null) {
        seen.add(new SeenText(fromUs, lastUs + stepUs, text));
      }
    }
  }

  /**
   * What may be text in the next picture.
   *
   * @return what has stood long enough to be looked at closely
   */
  public List<Standing> next(long us, List<TextBox> boxes) {
    refuted.removeIf(r -> us - r.atUs() > REFUTED_US);
    List<Standing> toLookAt = new ArrayList<>();
    List<Standing> free = new ArrayList<>(standing);
    for (TextBox box : boxes) {
      Standing same = nearest(free, box);
      if (same == null) {
        standing.add(new Standing(box, us));
        continue;
      }
      free.remove(same);
      same.box = box;
      same.lastUs = us;
      if (!same.isLookedAt && us - same.fromUs >= STANDS_US) {
        same.isLookedAt = true;
        if (refuted.stream().noneMatch(r -> r.box().overlap(box) >= SAME)) {
          toLookAt.add(same);
        }
      }
    }
    standing.removeIf(
        s -> {
          boolean gone = us - s.lastUs > GONE_US;
          if (gone) {
            s.end();
          }
          return gone;
        });
    return toLookAt;
  }

  private static @Nullable Standing nearest(List<Standing> among, TextBox box) {
    Standing nearest = null;
    double most = SAME;
    for (Standing one : among) {
      double overlap = one.box.overlap(box);
      if (overlap >= most) {
        most = overlap;
        nearest = one;
      }
    }
    return nearest;
  }

  /** All text that was seen, by its beginning; nothing more comes. */
  public List<SeenText> end() {
    standing.forEach(Standing::end);
    standing.clear();
    seen.sort(Comparator.comparingLong(SeenText::fromUs));
    return List.copyOf(seen);
  }
}
