package paringknife.server.commands;

import java.util.Map;
import picocli.CommandLine.Option;

/** Whom to tell when a batch is done. */
final class NoticeOptions {
  private static final String SECRET = "PARING_KNIFE_NOTICE_SECRET";
  private static final int SHORTEST = 16;

  @Option(
      names = "--notice-url",
      defaultValue = "",
      description =
          "an address to tell when a batch is done, by a request signed with the secret of "
              + SECRET
              + "; none by default")
  private String url = "";

  /**
   * The application's settings of it.
   *
   * @throws IllegalArgumentException when nobody can be told so
   */
  Map<String, Object> settings() {
    return settings(System.getenv(SECRET));
  }

  Map<String, Object> settings(String secret) {
    if (url.isEmpty()) {
      return Map.of();
    }
    if (!url.matches("https?://[^\\s/][^\\s]{0,900}")) {
      throw new IllegalArgumentException("--notice-url is written like https://desk.example/done");
    }
    if (secret == null || secret.length() < SHORTEST) {
      throw new IllegalArgumentException(
          "Set " + SECRET + " to a secret of at least " + SHORTEST + " characters.");
    }
    return Map.of("paring-knife.notice.url", url, "paring-knife.notice.secret", secret);
  }
}
