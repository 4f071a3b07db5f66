package paringknife.server.web;

import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * What Tomcat answers itself, before any of our code has seen a request: the same form and the same
 * headers as everything else.
 */
@Configuration
class PlainErrorPages {
  @Bean
  WebServerFactoryCustomizer<TomcatServletWebServerFactory> ourErrorReports() {
    return factory ->
        factory.addContextCustomizers(
            context -> {
              if (context.getParent() instanceof StandardHost host) {
                host.setErrorReportValveClass(Report.class.getName());
              }
            });
  }

  /** Writes a refusal as JSON. */
  public static final class Report extends ErrorReportValve {
    @Override
    protected void report(Request request, Response response, Throwable throwable) {
      if (response.getStatus() < 400
          || response.getContentWritten() > 0
          || !response.setErrorReported()) {
        return;
      }
      SecurityHeaders.NAMES_AND_VALUES.forEach(response::setHeader);
      try {
        Answers.refuse(response, response.getStatus(), "The request was not understood.");
        response.finishResponse();
      } catch (java.io.IOException e) {
        container.getLogger().debug("a client left", e);
      }
    }
  }
}
