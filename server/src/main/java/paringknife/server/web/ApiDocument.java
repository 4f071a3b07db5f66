package paringknife.server.web;

import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * The OpenAPI document from which the front end's types are generated. Every field of a record is
 * always sent; those named here may be null.
 */
@Configuration
class ApiDocument {
  private static final Map<String, Set<String>> NULLABLE =
      Map.of(
          "ShelfItem", Set.of("problem", "shelfId"),
          "Shelf", Set.of("parentId"),
          "ShelfDescription", Set.of("parentId"),
          "EpisodeDescription", Set.of("shelfId"),
          "SoundOfEpisode", Set.of("offsetUs", "driftPpm", "agreeing"),
          "ClipState", Set.of("undo", "redo"),
          "TranscriptColumns", Set.of("undo", "redo"),
          "TranscriptStep", Set.of("undo", "redo"),
          "ClipStep", Set.of("undo", "redo"),
          "Cell", Set.of("renderingId", "state", "secondsLeft", "problem"));

  @Bean
  OpenApiCustomizer everyFieldIsSent() {
    return api -> {
      api.setInfo(new Info().title("Paring Knife").version("1"));
      api.setServers(List.of());
      api.getComponents().getSchemas().forEach(ApiDocument::complete);
    };
  }

  private static void complete(String name, Schema<?> schema) {
    if (schema.getProperties() == null) {
      return;
    }
    schema.setRequired(new ArrayList<>(schema.getProperties().keySet()));
    for (String property : NULLABLE.getOrDefault(name, Set.of())) {
      Schema<?> field = (Schema<?>) schema.getProperties().get(property);
      Set<String> types = new LinkedHashSet<>(field.getTypes());
      types.add("null");
      field.setTypes(types);
    }
  }
}
