package paringknife.core.frame.cameras;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.People;
import paringknife.core.frame.people.Person;
import paringknife.core.time.Span;

/**
 * Chooses the camera: the one in which whoever speaks is seen best, that is through most of their
 * turn and with the largest face that a window has room for; where nobody is seen to speak, the one
 * that sees most people. No shot is shorter than {@value #SHORTEST_US} microseconds (common
 * practice), and cameras change where turns do, between words.
 */
public final class CameraChooser {
  private static final long SHORTEST_US = 2_000_000;

  /** So much of a turn somebody is seen in a camera that shows them. */
  private static final double SEEN = 0.5;

  /** Samples of a face a second. */
  private static final double SAMPLES = 5;

  /** A window has room for a face of so much of its width. */
  private static final double ROOM = 0.75;

  /** A camera that has no room for a face counts only where no other sees it. */
  private static final double CUT = 0.001;

  private final CameraGrid grid;
  private final People people;
  private final double ratio;

  /**
   * @param ratio width of what is shown by its height
   */
  public CameraChooser(CameraGrid grid, People people, double ratio) {
    this.grid = grid;
    this.people = people;
    this.ratio = ratio;
  }

  /** Somebody's turn; -1 where nobody seen speaks. */
  public record Turn(Span span, int person) {}

  /** The cameras of a stretch by themselves, without gap. */
  public List<CameraTurn> byItself(List<Turn> turns) {
    List<CameraTurn> chosen = new ArrayList<>();
    for (Turn turn : turns) {
      add(chosen, CameraTurn.of(turn.span(), best(turn)));
    }
    return noneTooShort(chosen);
  }

  private static void add(List<CameraTurn> chosen, CameraTurn next) {
    CameraTurn last = chosen.isEmpty() ? null : chosen.get(chosen.size() - 1);
    if (last != null && last.camera() == next.camera() && last.set() == next.set()) {
      chosen.set(chosen.size() - 1, joined(last, next));
    } else if (next.span().lengthUs() > 0) {
      chosen.add(next);
    }
  }

  private static CameraTurn joined(CameraTurn one, CameraTurn next) {
    return one.during(new Span(one.span().startUs(), next.span().endUs()));
  }

  /** What is too short goes on with the camera before it; the first with the one after it. */
  private static List<CameraTurn> noneTooShort(List<CameraTurn> turns) {
    List<CameraTurn> lasting = new ArrayList<>();
    for (CameraTurn turn : turns) {
      CameraTurn last = lasting.isEmpty() ? null : lasting.get(lasting.size() - 1);
      if (last != null && last.span().lengthUs() < SHORTEST_US && lasting.size() == 1) {
        lasting.set(0, turn.during(last.span()));
        add(lasting, turn);
      } else if (last != null && turn.span().lengthUs() < SHORTEST_US) {
        lasting.set(lasting.size() - 1, joined(last, turn));
      } else {
        add(lasting, turn);
      }
    }
    return lasting;
  }

  private int best(Turn turn) {
    int best = seeingBest(turn);
    return best >= 0 ? best : widest(turn.span());
  }

  /** The camera that sees somebody best during a turn; -1 where none does. */
  public int seeingBest(Turn turn) {
    int best = -1;
    double largest = 0;
    for (int c = 0; turn.person() >= 0 && c < grid.cameras(); c++) {
      Person person = people.on(c).get(turn.person());
      Face face = person.typicalFace(turn.span().startUs(), turn.span().endUs());
      double size = size(face, grid.cells().get(c));
      if (isSeen(person, turn.span()) && size > largest) {
        best = c;
        largest = size;
      }
    }
    return best;
  }

  private double size(Face face, CameraGrid.Cell picture) {
    double window = Math.min(picture.width(), picture.height() * ratio);
    boolean fits = face.width() * picture.width() <= ROOM * window;
    return face.height() * picture.height() * (fits ? 1 : CUT);
  }

  private static boolean isSeen(Person person, Span span) {
    double samples = Math.max(1, span.lengthUs() / 1e6 * SAMPLES);
    return person.seenIn(span).size() >= SEEN * samples - 1 && !person.seenIn(span).isEmpty();
  }

  /** The camera that sees most people during a stretch; the first of them. */
  public int widest(Span span) {
    int widest = 0;
    long most = -1;
    for (int c = 0; c < grid.cameras(); c++) {
      long seen = people.on(c).stream().filter(p -> isSeen(p, span)).count();
      if (seen > most) {
        widest = c;
        most = seen;
      }
    }
    return widest;
  }

  /**
   * With what was set by hand, which holds from its time on; what goes on from before comes in.
   *
   * @param turns of a stretch, by themselves
   * @param cuts of all of the clip
   * @param goingOn what held at the end of the stretch before
   */
  public static Chosen withCuts(
      List<CameraTurn> turns, Span stretch, List<CameraCut> cuts, @Nullable CameraCut goingOn) {
    List<CameraCut> here =
        cuts.stream()
            .filter(c -> stretch.contains(c.atUs()))
            .sorted(Comparator.comparingLong(CameraCut::atUs))
            .toList();
    List<CameraTurn> chosen = new ArrayList<>();
    CameraCut now = goingOn;
    long from = stretch.startUs();
    for (CameraCut next : here) {
      during(turns, new Span(from, next.atUs()), now).forEach(t -> add(chosen, t));
      now = next;
      from = next.atUs();
    }
    during(turns, new Span(from, stretch.endUs()), now).forEach(t -> add(chosen, t));
    return new Chosen(chosen, now);
  }

  /** The cameras of a stretch, and what goes on after it. */
  public record Chosen(List<CameraTurn> turns, @Nullable CameraCut goingOn) {}

  private static List<CameraTurn> during(
      List<CameraTurn> turns, Span part, @Nullable CameraCut cut) {
    if (part.lengthUs() <= 0) {
      return List.of();
    }
    if (cut != null && cut.camera() != CameraCut.BY_ITSELF) {
      return List.of(new CameraTurn(part, cut.camera(), true));
    }
    List<CameraTurn> within = new ArrayList<>();
    for (CameraTurn turn : turns) {
      long from = Math.max(part.startUs(), turn.span().startUs());
      long to = Math.min(part.endUs(), turn.span().endUs());
      if (from < to) {
        within.add(turn.during(new Span(from, to)));
      }
    }
    return within;
  }
}
