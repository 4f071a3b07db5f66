package paringknife.server.web;

import jakarta.servlet.http.HttpServletRequest;
import org.apache.catalina.connector.Connector;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;

/**
 * A port of its own that other machines may reach; none where it is 0.
 *
 * @param address of this machine, on which it listens
 * @param url what addresses begin with as others reach it; empty for unknown
 */
record Door(int port, String address, String url) {
  Door {
    url = url.replaceAll("/$", "");
  }

  void open(TomcatServletWebServerFactory factory) {
    if (port > 0) {
      Connector connector = new Connector();
      connector.setPort(port);
      connector.setProperty("address", address);
      factory.addAdditionalConnectors(connector);
    }
  }

  /** Whether a request came by this port. */
  boolean isUsedBy(HttpServletRequest request) {
    return port > 0 && request.getLocalPort() == port;
  }
}
