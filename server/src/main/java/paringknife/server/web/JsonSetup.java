package paringknife.server.web;

import java.util.List;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** How types that come in kinds are written in JSON. */
@Configuration
class JsonSetup {
  @Bean
  JsonMapperBuilderCustomizer kindsInJson(List<JsonKinds> all) {
    return mapper -> all.forEach(kinds -> kinds.addTo(mapper));
  }
}
