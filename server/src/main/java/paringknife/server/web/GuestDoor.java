package paringknife.server.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * A port of its own for guests of proof links, which other machines may reach; nothing but what
 * guests need is answered there. Off unless asked for.
 */
@Component
public class GuestDoor implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
  private final Door door;

  GuestDoor(
      @Value("${paring-knife.guest.port:0}") int port,
      @Value("${paring-knife.guest.address:0.0.0.0}") String address,
      @Value("${paring-knife.guest.url:}") String url) {
    this.door = new Door(port, address, url);
  }

  @Override
  public void customize(TomcatServletWebServerFactory factory) {
    door.open(factory);
  }

  /** Whether a request came by that port. */
  boolean isUsedBy(HttpServletRequest request) {
    return door.isUsedBy(request);
  }

  /** Whether guests may have what they ask for there. */
  static boolean lets(HttpServletRequest request) {
    String path = request.getServletPath();
    return path.startsWith("/api/proof/")
        || path.startsWith("/proof/")
        || path.startsWith("/assets/");
  }

  /** What links begin with, where that was said; empty for the address that the producer uses. */
  public Optional<String> url() {
    return door.url().isEmpty() ? Optional.empty() : Optional.of(door.url());
  }
}
