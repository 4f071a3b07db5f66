package paringknife.core.deliver;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.cover.Cover;
import paringknife.core.deliver.post.Post;
import paringknife.core.writing.OneLine;

/**
 * The section of a clip that says under which title and for which destinations it goes out.
 *
 * @param title shown on the bench and used for file names, up to {@value #LONGEST_TITLE} characters
 * @param specs ids of the delivery specs asked for
 * @param post what is posted with it; null for what is proposed from its words
 * @param waived what is let pass
 * @param cover what is wanted of the still that stands for it
 */
public record Delivered(
    String title,
    List<String> specs,
    @Nullable Post post,
    @Nullable List<Waiver> waived,
    @Nullable Cover cover) {
  public static final int LONGEST_TITLE = 120;
  private static final int MOST_WAIVED = 200;

  public Delivered {
    title = clean(title);
    if (title.isEmpty()) {
      throw new IllegalArgumentException("A clip needs a title.");
    }
    specs = List.copyOf(specs);
    waived = waived == null ? List.of() : List.copyOf(waived);
    cover = cover == null ? Cover.PROPOSED : cover;
  }

  /** With the text and the tags that are proposed. */
  public Delivered(String title, List<String> specs) {
    this(title, specs, null, List.of(), Cover.PROPOSED);
  }

  private static String clean(String text) {
    String one = OneLine.of(text);
    int end = Math.min(LONGEST_TITLE, one.length());
    boolean halves = end < one.length() && Character.isHighSurrogate(one.charAt(end - 1));
    return one.substring(0, halves ? end - 1 : end).strip();
  }

  public Delivered withTitle(String changed) {
    return new Delivered(changed, specs, post, waived, cover);
  }

  /** With something behind its title, which is shortened to make room for it. */
  public Delivered withTitleEnd(String end) {
    int room = Math.min(title.length(), LONGEST_TITLE - end.length());
    return withTitle(title.substring(0, room) + end);
  }

  Delivered withSpecs(List<String> changed) {
    return new Delivered(title, changed, post, waived, cover);
  }

  /** With specs under the names that they have elsewhere. */
  public Delivered withSpecsCalled(UnaryOperator<String> called) {
    return new Delivered(
        title,
        specs.stream().map(called).toList(),
        post,
        waived.stream()
            .map(w -> new Waiver(called.apply(w.spec()), w.subject(), w.found(), w.note()))
            .toList(),
        cover);
  }

  Delivered withPost(@Nullable Post changed) {
    return new Delivered(title, specs, changed, waived, cover);
  }

  Delivered withCover(Cover changed) {
    return new Delivered(title, specs, post, waived, changed);
  }

  /** What is let pass for a spec. */
  public List<Waiver> waivedFor(String spec) {
    return waived.stream().filter(w -> w.spec().equals(spec)).toList();
  }

  /**
   * With something let pass, or no longer.
   *
   * @param found what the check found
   * @param note why; null to take it back
   */
  Delivered waiving(String spec, String subject, String found, @Nullable String note) {
    List<Waiver> others =
        waived.stream()
            .filter(w -> !w.spec().equals(spec) || !w.subject().equals(subject))
            .toList();
    List<Waiver> all = new ArrayList<>(others);
    if (note != null) {
      all.add(new Waiver(spec, subject, found, note));
    }
    if (all.size() > MOST_WAIVED) {
      throw new IllegalArgumentException("Too much is let pass already.");
    }
    return new Delivered(title, specs, post, all, cover);
  }
}
