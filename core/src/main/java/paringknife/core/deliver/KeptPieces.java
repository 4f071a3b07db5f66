package paringknife.core.deliver;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import paringknife.core.clip.cut.CutList;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

/**
 * The kept pieces of a clip as they were recorded, for finishing elsewhere: one file with all of
 * them joined, or a file for each.
 *
 * @param each whether each is a file of its own
 * @param handles frames left around each piece of its own, 0 to {@value #MOST_HANDLES}; joined
 *     pieces have none
 */
public record KeptPieces(boolean each, int handles) {
  /** What the name of a file of several of them ends in, without the dot. */
  public static final String PACKED = "zip";

  static final int MOST_HANDLES = 500;
  private static final Pattern ID = Pattern.compile("kept-(one|each-(\\d{1,3}))");

  public KeptPieces {
    if (handles < 0 || handles > MOST_HANDLES) {
      throw new IllegalArgumentException("Handles are 0 to " + MOST_HANDLES + " frames.");
    }
    handles = each ? handles : 0;
  }

  /** What it is called where delivery specs are named. */
  public String id() {
    return each ? "kept-each-" + handles : "kept-one";
  }

  /** What the name of their file ends in, without the dot. */
  public String extension() {
    return each ? PACKED : Codec.H264.extension();
  }

  /** The pieces of that name; empty when the name is that of something else. */
  public static Optional<KeptPieces> byId(String id) {
    Matcher named = ID.matcher(id);
    if (!named.matches()) {
      return Optional.empty();
    }
    return Optional.of(
        named.group(2) == null
            ? new KeptPieces(false, 0)
            : new KeptPieces(true, Integer.parseInt(named.group(2))));
  }

  /** The stretches of the episode that become files of their own, in playing order. */
  public List<Span> spans(CutList cuts, FrameRate rate, long durationUs) {
    long room = Math.round(handles * 1e6 / rate.perSecond());
    List<Span> pieces = new ArrayList<>();
    for (Span span : cuts.kept()) {
      Span last = pieces.isEmpty() ? null : pieces.get(pieces.size() - 1);
      if (last != null && last.endUs() == span.startUs()) {
        pieces.set(pieces.size() - 1, new Span(last.startUs(), span.endUs()));
      } else {
        pieces.add(span);
      }
    }
    return pieces.stream()
        .map(
            s ->
                new Span(
                    Math.max(0, s.startUs() - room),
                    Math.max(s.endUs(), Math.min(durationUs, s.endUs() + room))))
        .toList();
  }
}
