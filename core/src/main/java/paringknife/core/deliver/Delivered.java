package paringknife.core.deliver;

import java.util.List;

/**
 * The section of a clip that says under which title and for which destinations it goes out.
 *
 * @param title shown on the bench and used for file names, up to {@value #LONGEST_TITLE} characters
 * @param specs ids of the delivery specs asked for
 */
public record Delivered(String title, List<String> specs) {
  public static final int LONGEST_TITLE = 120;

  public Delivered {
    title = clean(title);
    if (title.isEmpty()) {
      throw new IllegalArgumentException("A clip needs a title.");
    }
    specs = List.copyOf(specs);
  }

  private static String clean(String text) {
    String one = String.join(" ", text.strip().split("\\s+"));
    int end = Math.min(LONGEST_TITLE, one.length());
    boolean halves = end < one.length() && Character.isHighSurrogate(one.charAt(end - 1));
    return one.substring(0, halves ? end - 1 : end).strip();
  }

  public Delivered withTitle(String changed) {
    return new Delivered(changed, specs);
  }

  /** With something behind its title, which is shortened to make room for it. */
  public Delivered withTitleEnd(String end) {
    int room = Math.min(title.length(), LONGEST_TITLE - end.length());
    return withTitle(title.substring(0, room) + end);
  }

  Delivered withSpecs(List<String> changed) {
    return new Delivered(title, changed);
  }
}
