package paringknife.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Holds for every request: only names of this machine are answered (so that no other site's name
 * can be pointed here), guests get by their own door what is for guests, only our own pages may
 * change anything, and pages may load and reach nothing but this server.
 */
@Component
@Order(1)
class SecurityHeaders extends OncePerRequestFilter {
  private static final Set<String> OWN_NAMES = Set.of("127.0.0.1", "localhost", "[::1]");
  private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");
  private static final List<String> HANDED_ON =
      List.of("Forwarded", "X-Forwarded-For", "X-Forwarded-Host", "X-Real-IP", "Via");
  private static final String POLICY =
      "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self'; font-src 'self';"
          + " img-src 'self' blob:; media-src 'self' blob:; connect-src 'self'; worker-src 'self';"
          + " manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

  static final Map<String, String> NAMES_AND_VALUES =
      Map.of(
          "Content-Security-Policy", POLICY,
          "X-Content-Type-Options", "nosniff",
          "Referrer-Policy", "no-referrer",
          "Cross-Origin-Opener-Policy", "same-origin",
          "Cross-Origin-Resource-Policy", "same-origin");

  private final GuestDoor guests;
  private final TeamDoor team;

  SecurityHeaders(GuestDoor guests, TeamDoor team) {
    this.guests = guests;
    this.team = team;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    NAMES_AND_VALUES.forEach(response::setHeader);
    if (guests.isUsedBy(request)) {
      if (!GuestDoor.lets(request)) {
        Answers.refuse(response, 404, "There is nothing here.");
        return;
      }
    } else if (team.isUsedBy(request)) {
      if (team.isEncrypted()) {
        response.setHeader("Strict-Transport-Security", "max-age=31536000");
      }
      if (!OWN_NAMES.contains(request.getServerName()) && !team.isCalled(request)) {
        Answers.refuse(response, 421, "This address is not served here.");
        return;
      }
      if (!READING.contains(request.getMethod()) && !team.sends(request)) {
        Answers.refuse(response, 403, "Another site may not change anything here.");
        return;
      }
    } else if (!OWN_NAMES.contains(request.getServerName()) || isHandedOn(request)) {
      Answers.refuse(response, 421, "This address is not served here.");
      return;
    }
    if (!team.isUsedBy(request)
        && !READING.contains(request.getMethod())
        && comesFromElsewhere(request)) {
      Answers.refuse(response, 403, "Another site may not change anything here.");
      return;
    }
    chain.doFilter(request, response);
  }

  /** Whoever a proxy lets in is not at this machine, though the proxy may be. */
  private static boolean isHandedOn(HttpServletRequest request) {
    return HANDED_ON.stream().anyMatch(h -> request.getHeader(h) != null);
  }

  private static boolean comesFromElsewhere(HttpServletRequest request) {
    String site = request.getHeader("Sec-Fetch-Site");
    if (site != null) {
      return !site.equals("same-origin") && !site.equals("none");
    }
    String origin = request.getHeader("Origin");
    return origin != null
        && !origin.equals(request.getScheme() + "://" + request.getHeader("Host"));
  }
}
