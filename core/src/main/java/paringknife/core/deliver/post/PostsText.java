package paringknife.core.deliver.post;

import java.util.stream.Collectors;

/** The texts of several files for somebody who copies them by hand. */
public final class PostsText {
  private static final String RULE = "-".repeat(60) + "\n";

  private final StringBuilder text = new StringBuilder();

  public void add(String file, String spec, PostTexts texts) {
    text.append(text.isEmpty() ? "" : RULE);
    text.append(file).append("\n(").append(spec).append(")\n\n");
    paragraph(texts.title());
    paragraph(texts.text());
    paragraph(texts.tags().stream().map(t -> "#" + t).collect(Collectors.joining(" ")));
  }

  private void paragraph(String paragraph) {
    if (!paragraph.isEmpty()) {
      text.append(paragraph).append("\n\n");
    }
  }

  public String text() {
    return text.toString();
  }
}
