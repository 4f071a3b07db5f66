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
      Map.ofEntries(
          Map.entry("ShelfItem", Set.of("problem", "shelfId", "step")),
          Map.entry("Shelf", Set.of("parentId")),
          Map.entry("ShelfDescription", Set.of("parentId")),
          Map.entry("EpisodeDescription", Set.of("shelfId")),
          Map.entry("SoundsOfEpisode", Set.of("listened")),
          Map.entry("SoundsChosen", Set.of("listened")),
          Map.entry("NewEpisode", Set.of("text")),
          Map.entry("BriefAsked", Set.of("share")),
          Map.entry("SoundOfEpisode", Set.of("offsetUs", "driftPpm", "agreeing")),
          Map.entry("ClipState", Set.of("undo", "redo")),
          Map.entry("TranscriptColumns", Set.of("undo", "redo")),
          Map.entry("TranscriptStep", Set.of("undo", "redo")),
          Map.entry("ClipStep", Set.of("undo", "redo")),
          Map.entry("PiecesMade", Set.of("problem")),
          Map.entry("Cell", Set.of("renderingId", "state", "secondsLeft", "problem")));

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
