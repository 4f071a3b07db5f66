package paringknife.server.web;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * A port of its own for those who work here from other machines, who sign in there. Off unless
 * asked for. A proxy that encrypts may stand before it; its address is then what is reached.
 */
@Component
public class TeamDoor implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
  private static final String SAME_SITE = "same-origin";

  private final Door door;

  TeamDoor(
      @Value("${paring-knife.team.port:0}") int port,
      @Value("${paring-knife.team.address:0.0.0.0}") String address,
      @Value("${paring-knife.team.url:}") String url) {
    this.door = new Door(port, address, url);
  }

  @Override
  public void customize(TomcatServletWebServerFactory factory) {
    door.open(factory);
  }

  public boolean isOpen() {
    return door.port() > 0;
  }

  /** Whether a request came by that port. */
  public boolean isUsedBy(HttpServletRequest request) {
    return door.isUsedBy(request);
  }

  /** Whether it is reached by an address that encrypts. */
  public boolean isEncrypted() {
    return door.url().startsWith("https:");
  }

  /** What addresses begin with as others reach them. */
  public String url() {
    return door.url();
  }

  /** Whether a request names the address that others reach. */
  boolean isCalled(HttpServletRequest request) {
    return !door.url().isEmpty()
        && request.getServerName().equalsIgnoreCase(URI.create(door.url()).getHost());
  }

  /**
   * Whether a page of ours sends a request: what browsers say of where it comes from (W3C Fetch
   * Metadata; Origin of RFC 6454). Whoever says nothing of that is none.
   */
  boolean sends(HttpServletRequest request) {
    String site = request.getHeader("Sec-Fetch-Site");
    return site != null ? site.equals(SAME_SITE) : isOurs(request.getHeader("Origin"), request);
  }

  private boolean isOurs(@Nullable String origin, HttpServletRequest request) {
    return origin != null
        && (origin.equals(door.url())
            || origin.equals(request.getScheme() + "://" + request.getHeader("Host")));
  }

  /** The address that a request comes from: of a proxy on this machine, what it says of it last. */
  public static String comesFrom(HttpServletRequest request) {
    String told = request.getHeader("X-Forwarded-For");
    boolean byProxy =
        request.getRemoteAddr().equals("127.0.0.1") || request.getRemoteAddr().contains("::1");
    return byProxy && told != null
        ? told.substring(told.lastIndexOf(',') + 1).strip()
        : request.getRemoteAddr();
  }
}
