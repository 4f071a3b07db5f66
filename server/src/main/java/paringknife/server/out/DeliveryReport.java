package paringknife.server.out;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.web.util.HtmlUtils;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.post.PostTexts;

/** What was delivered, as a page that stands by itself and prints well. */
final class DeliveryReport {
  private static final String STYLE =
      "body{font:15px/1.45 Georgia,serif;max-width:46em;margin:2em auto;padding:0 1em;"
          + "color:#241f1d;background:#fff}h1{font-size:1.5em}"
          + "section{border-top:1px solid #ccc;padding:.8em 0;break-inside:avoid}"
          + "h2{font-size:1.1em;margin:0}p{margin:.3em 0}"
          + ".file{font-family:monospace;overflow-wrap:anywhere}"
          + "ul{margin:.3em 0;padding-left:1.2em}.fails{font-weight:bold}.soft{color:#5c544f}";

  private final StringBuilder sections = new StringBuilder();
  private int files;
  private final List<String> failed = new ArrayList<>();

  /** A finished file, what was measured of it, and what goes with it. */
  void add(String file, String spec, long bytes, List<Check> measured, PostTexts texts) {
    files++;
    if (!Check.pass(measured)) {
      failed.add(file);
    }
    sections.append("<section><h2>").append(safe(texts.title())).append("</h2><p class=\"soft\">");
    sections.append(safe(spec)).append(String.format(Locale.ROOT, ", %.1f MB</p>", bytes / 1e6));
    sections.append("<p class=\"file\">").append(safe(file)).append("</p><ul>");
    for (Check check : measured) {
      boolean fails = check.verdict() == Check.Verdict.FAILS;
      sections.append(fails ? "<li class=\"fails\">" : "<li>");
      sections.append(safe(check.subject())).append(": ").append(safe(check.text()));
      sections.append(fails ? ", not right</li>" : "</li>");
    }
    sections.append("</ul>");
    if (!texts.text().isEmpty()) {
      sections.append("<p>").append(safe(texts.text())).append("</p>");
    }
    if (!texts.tags().isEmpty()) {
      sections.append("<p class=\"soft\">").append(safe(String.join(" ", texts.tags())));
      sections.append("</p>");
    }
    sections.append("</section>");
  }

  /** The whole page. */
  String html(String heading) {
    String count = files == 1 ? "1 file" : files + " files";
    String right =
        failed.isEmpty()
            ? ", all of them right"
            : "; not right and left out: " + String.join(", ", failed);
    return "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><title>"
        + safe(heading)
        + "</title><style>"
        + STYLE
        + "</style><h1>"
        + safe(heading)
        + "</h1><p>"
        + safe(count + right)
        + ".</p>"
        + sections
        + "</html>\n";
  }

  private static String safe(String text) {
    return HtmlUtils.htmlEscape(text, "UTF-8");
  }
}
