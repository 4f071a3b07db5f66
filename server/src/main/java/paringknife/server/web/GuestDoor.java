package paringknife.server.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.apache.catalina.connector.Connector;
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
  private final int port;
  private final String address;
  private final String url;

  GuestDoor(
      @Value("${paring-knife.guests.port:0}") int port,
      @Value("${paring-knife.guests.address:0.0.0.0}") String address,
      @Value("${paring-knife.guests.url:}") String url) {
    this.port = port;
    this.address = address;
    this.url = url.replaceAll("/$", "");
  }

  @Override
  public void customize(TomcatServletWebServerFactory factory) {
    if (port > 0) {
      Connector connector = new Connector();
      connector.setPort(port);
      connector.setProperty("address", address);
      factory.addAdditionalConnectors(connector);
    }
  }

  /** Whether a request came by that port. */
  boolean isUsedBy(HttpServletRequest request) {
    return port > 0 && request.getLocalPort() == port;
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
    return url.isEmpty() ? Optional.empty() : Optional.of(url);
  }
}
