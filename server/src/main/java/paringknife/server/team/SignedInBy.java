package paringknife.server.team;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseCookie;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpRequestResponseHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;
import paringknife.server.web.TeamDoor;

/**
 * Knows who sends a request by a cookie that scripts cannot read and other sites cannot send along.
 */
@Component
class SignedInBy implements SecurityContextRepository {
  private final Team team;
  private final TeamDoor door;

  SignedInBy(Team team, TeamDoor door) {
    this.team = team;
    this.door = door;
  }

  private String name() {
    return door.isEncrypted() ? "__Host-paring" : "paring";
  }

  /** The token that a request carries. */
  Optional<String> token(HttpServletRequest request) {
    Cookie[] cookies = request.getCookies();
    return cookies == null
        ? Optional.empty()
        : Arrays.stream(cookies)
            .filter(c -> c.getName().equals(name()))
            .map(Cookie::getValue)
            .findFirst();
  }

  /** The cookie that carries a token; one that takes it away for null. */
  String cookie(@Nullable String token) {
    return ResponseCookie.from(name(), token == null ? "" : token)
        .httpOnly(true)
        .secure(door.isEncrypted())
        .sameSite("Lax")
        .path("/")
        .maxAge(token == null ? java.time.Duration.ZERO : Team.LONGEST)
        .build()
        .toString();
  }

  @Override
  public SecurityContext loadContext(HttpRequestResponseHolder holder) {
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    token(holder.getRequest())
        .flatMap(team::signedIn)
        .ifPresent(
            a ->
                context.setAuthentication(
                    UsernamePasswordAuthenticationToken.authenticated(
                        a, null, List.of(new SimpleGrantedAuthority("ROLE_" + a.role())))));
    return context;
  }

  /** Nothing is kept: the cookie is what is known by. */
  @Override
  public void saveContext(
      SecurityContext context, HttpServletRequest request, HttpServletResponse response) {}

  @Override
  public boolean containsContext(HttpServletRequest request) {
    return token(request).isPresent();
  }
}
