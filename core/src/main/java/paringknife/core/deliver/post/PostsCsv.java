package paringknife.core.deliver.post;

import java.util.Arrays;
import java.util.stream.Collectors;

/**
 * The texts of several files as a table (RFC 4180, UTF-8 with a mark, so that spreadsheets read
 * it). What a spreadsheet would take for a formula gets an apostrophe before it (OWASP, "CSV
 * Injection").
 */
public final class PostsCsv {
  private static final String FORMULA = "=+-@\t\r";

  private final StringBuilder rows =
      new StringBuilder("\uFEFF").append(row("file", "spec", "title", "text", "tags"));

  public void add(String file, String spec, PostTexts texts) {
    rows.append(row(file, spec, texts.title(), texts.text(), String.join(" ", texts.tags())));
  }

  public String text() {
    return rows.toString();
  }

  private static String row(String... cells) {
    return Arrays.stream(cells).map(PostsCsv::cell).collect(Collectors.joining(",")) + "\r\n";
  }

  private static String cell(String text) {
    boolean formula = !text.isEmpty() && FORMULA.indexOf(text.charAt(0)) >= 0;
    return "\"" + (formula ? "'" : "") + text.replace("\"", "\"\"") + "\"";
  }
}
