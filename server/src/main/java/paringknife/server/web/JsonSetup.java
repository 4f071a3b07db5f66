package paringknife.server.web;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.jsontype.NamedType;

/** How types that come in kinds are written in JSON. */
@Configuration
class JsonSetup {
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = JsonKinds.PROPERTY)
  private interface ToldByType {}

  @Bean
  JsonMapperBuilderCustomizer kindsInJson(List<JsonKinds> all) {
    return mapper -> {
      for (JsonKinds kinds : all) {
        mapper.addMixIn(kinds.base(), ToldByType.class);
        kinds.kinds().forEach((name, type) -> mapper.registerSubtypes(new NamedType(type, name)));
      }
    };
  }
}
