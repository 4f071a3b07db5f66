package paringknife.server.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import tools.jackson.databind.json.JsonMapper;

/** Refusals written outside of controllers, in the form that all refusals have. */
public final class Answers {
  private static final JsonMapper JSON = new JsonMapper();

  private Answers() {}

  /** The body of every refusal. */
  public record Problem(String message) {}

  /**
   * Answers with a refusal.
   *
   * @param message for the user
   */
  public static void refuse(HttpServletResponse response, int status, String message)
      throws IOException {
    response.setStatus(status);
    response.setContentType("application/json");
    response.setCharacterEncoding(StandardCharsets.UTF_8.name());
    response.getOutputStream().write(JSON.writeValueAsBytes(new Problem(message)));
  }
}
