package paringknife.server.web;

import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.core.converter.ResolvedSchema;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.PathItem;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.responses.ApiResponse;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
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
          Map.entry("Posting", Set.of("nextAt", "reference", "endedAt")),
          Map.entry("When", Set.of("first")),
          Map.entry("Session", Set.of("name")),
          Map.entry("SetMannerIntent", Set.of("divider")),
          Map.entry("ChangeBehindIntent", Set.of("ground")),
          Map.entry("Framed", Set.of("behind", "backdrop")),
          Map.entry("Invited", Set.of("name")),
          Map.entry("AccountShown", Set.of("seenAt")),
          Map.entry("Invitation", Set.of("account")),
          Map.entry("Present", Set.of("name", "clipId")),
          Map.entry("WindowShown", Set.of("episodeId", "clipId")),
          Map.entry("StepTaken", Set.of("author")),
          Map.entry("Cover", Set.of("episodeUs")),
          Map.entry("Fill", Set.of("foot")),
          Map.entry("TypefaceShown", Set.of("own")),
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
          Map.entry(
              "ClipStep",
              Set.of(
                  "undo",
                  "redo",
                  "pared",
                  "framed",
                  "lettered",
                  "laidOver",
                  "sounded",
                  "delivered")),
          Map.entry("CaptionStanding", Set.of("contrast")),
          Map.entry("HouseStanding", Set.of("style", "changes")),
          Map.entry("Sentence", Set.of("moved")),
          Map.entry("TranslatedSentence", Set.of("moved")),
          Map.entry("TranslationState", Set.of("translator")),
          Map.entry("Lettered", Set.of("style", "breaking", "leavesOut", "use")),
          Map.entry("Style", Set.of("lowerFace", "place")),
          Map.entry("WordStyle", Set.of("colour")),
          Map.entry("Tints", Set.of("numbers")),
          Map.entry("RestyleIntent", Set.of("style")),
          Map.entry("RebreakIntent", Set.of("breaking")),
          Map.entry("LetCaptionsBeIntent", Set.of("about")),
          Map.entry("DeliverySpec", Set.of("captions", "cover")),
          Map.entry("Encoding", Set.of("pictureKbps", "mostBytes", "keyframeSeconds")),
          Map.entry("Delivered", Set.of("post")),
          Map.entry("Check", Set.of("repair")),
          Map.entry("WaiveIntent", Set.of("note")),
          Map.entry("WritePostIntent", Set.of("post")),
          Map.entry("LinkAsked", Set.of("days", "password", "asks")),
          Map.entry("ProofLink", Set.of("expiresAt")),
          Map.entry("ProofsOfEpisode", Set.of("address")),
          Map.entry("ShownClip", Set.of("approved", "answeredBy")),
          Map.entry("Copy", Set.of("state", "attempt", "problem")),
          Map.entry("ListedClip", Set.of("file", "approved")),
          Map.entry("GuestPage", Set.of("expiresAt")),
          Map.entry("GuestRemark", Set.of("answers")),
          Map.entry("GuestClip", Set.of("approved", "answeredBy")),
          Map.entry("Remark", Set.of("answers", "doneAt")),
          Map.entry("Preview", Set.of("spec", "logo")),
          Map.entry("LaidOver", Set.of("logo")),
          Map.entry("LayLogoIntent", Set.of("logo")),
          Map.entry("PiecesMade", Set.of("problem")),
          Map.entry("Cell", Set.of("renderingId", "state", "secondsLeft", "problem")));

  @Bean
  OpenApiCustomizer everyFieldIsSent(List<JsonKinds> kinds) {
    return api -> {
      api.setInfo(new Info().title("Paring Knife").version("1"));
      api.setServers(List.of());
      Map<String, Schema> schemas = api.getComponents().getSchemas();
      kinds.forEach(k -> addKinds(schemas, k));
      schemas.forEach(ApiDocument::complete);
      kinds.forEach(k -> unite(schemas, k));
      api.getPaths().forEach(ApiDocument::sayLimits);
      asked(api).forEach(name -> limitAll(schemas.get(name)));
    };
  }

  /** Each kind as a schema of its own, which says by its type what it is. */
  private static void addKinds(Map<String, Schema> schemas, JsonKinds kinds) {
    kinds
        .kinds()
        .forEach(
            (name, type) -> {
              ResolvedSchema read =
                  ModelConverters.getInstance(true)
                      .resolveAsResolvedSchema(new AnnotatedType(type).resolveAsRef(false));
              read.referencedSchemas.forEach(
                  (other, schema) -> {
                    if (!other.equals(type.getSimpleName())) {
                      schemas.putIfAbsent(other, schema);
                    }
                  });
              Schema<?> own = new ObjectSchema();
              own.addProperty(JsonKinds.PROPERTY, new StringSchema()._enum(List.of(name)));
              for (RecordComponent component : type.getRecordComponents()) {
                Schema<?> field = (Schema<?>) properties(read.schema).get(component.getName());
                own.addProperty(component.getName(), field);
              }
              schemas.put(kinds.schemaName(name), own);
            });
  }

  private static Map<String, ?> properties(Schema<?> schema) {
    return schema.getProperties() == null ? Map.of() : schema.getProperties();
  }

  /** The type itself is one of its kinds. */
  private static void unite(Map<String, Schema> schemas, JsonKinds kinds) {
    Discriminator by = new Discriminator().propertyName(JsonKinds.PROPERTY);
    Schema<?> union = new Schema<>();
    for (String name : kinds.kinds().keySet().stream().sorted().toList()) {
      String ref = "#/components/schemas/" + kinds.schemaName(name);
      union.addOneOfItem(new Schema<>().$ref(ref));
      by.mapping(name, ref);
    }
    union.setDiscriminator(by);
    for (Class<?> kind : kinds.kinds().values()) {
      Schema<?> read = schemas.get(kind.getSimpleName());
      if (read != null && (read.getAllOf() != null || properties(read).containsKey("sweeping"))) {
        schemas.remove(kind.getSimpleName());
      }
    }
    String base = "#/components/schemas/" + kinds.base().getSimpleName();
    Set<String> names =
        kinds.kinds().values().stream()
            .map(k -> "#/components/schemas/" + k.getSimpleName())
            .collect(Collectors.toSet());
    schemas.values().forEach(schema -> nameUnion(schema, names, base));
    schemas.put(kinds.base().getSimpleName(), union);
  }

  /** Wherever all kinds are listed, the name of the type is put in their place. */
  private static void nameUnion(Schema<?> schema, Set<String> kinds, String base) {
    if (schema.getProperties() != null) {
      schema.getProperties().replaceAll((name, field) -> named((Schema<?>) field, kinds, base));
    }
  }

  private static Schema<?> named(Schema<?> field, Set<String> kinds, String base) {
    List<Schema> either = field.getOneOf() != null ? field.getOneOf() : field.getAnyOf();
    if (either != null && either.stream().allMatch(e -> kinds.contains(e.get$ref()))) {
      return new Schema<>().$ref(base);
    }
    if (field.getItems() != null) {
      field.setItems(named(field.getItems(), kinds, base));
    }
    if (field.getAdditionalProperties() instanceof Schema<?> values) {
      field.setAdditionalProperties(named(values, kinds, base));
    }
    return field;
  }

  /** What a body may have in bytes, and that more is refused. */
  private static void sayLimits(String path, PathItem item) {
    for (Operation operation : item.readOperations()) {
      if (operation.getRequestBody() != null) {
        long most = BodyLimit.mostFor(path);
        operation
            .getRequestBody()
            .setDescription("Up to " + (most >> 20) + " MB; more is answered with 413.");
        operation
            .getResponses()
            .addApiResponse("413", new ApiResponse().description("More than is taken."));
      }
    }
  }

  private static void complete(String name, Schema<?> schema) {
    if (schema.getProperties() == null) {
      return;
    }
    schema.setRequired(new ArrayList<>(schema.getProperties().keySet()));
    for (String property : NULLABLE.getOrDefault(name, Set.of())) {
      allowNull(schema, property);
    }
  }

  /** Names of the schemas that bodies of requests are made of. */
  private static Set<String> asked(OpenAPI api) {
    Set<String> names = new LinkedHashSet<>();
    for (PathItem item : api.getPaths().values()) {
      for (Operation operation : item.readOperations()) {
        if (operation.getRequestBody() != null) {
          operation
              .getRequestBody()
              .getContent()
              .values()
              .forEach(c -> follow(c.getSchema(), api.getComponents().getSchemas(), names));
        }
      }
    }
    return names;
  }

  private static void follow(Schema<?> schema, Map<String, Schema> schemas, Set<String> names) {
    if (schema == null) {
      return;
    }
    if (schema.get$ref() != null) {
      String name = schema.get$ref().substring(schema.get$ref().lastIndexOf('/') + 1);
      if (names.add(name)) {
        follow(schemas.get(name), schemas, names);
      }
      return;
    }
    properties(schema).values().forEach(p -> follow((Schema<?>) p, schemas, names));
    follow(schema.getItems(), schemas, names);
    if (schema.getOneOf() != null) {
      schema.getOneOf().forEach(one -> follow(one, schemas, names));
    }
  }

  private static void limitAll(Schema<?> schema) {
    properties(schema).values().forEach(field -> limit((Schema<?>) field));
  }

  /** Texts and lists are as long as {@link BodyRules} lets them be. */
  private static void limit(Schema<?> field) {
    Set<String> types = field.getTypes() == null ? Set.of() : field.getTypes();
    if (types.contains("string") && field.getEnum() == null && field.getMaxLength() == null) {
      field.setMaxLength(BodyRules.USUAL_TEXT);
    }
    if (types.contains("array") && field.getMaxItems() == null) {
      field.setMaxItems(BodyRules.USUAL_LIST);
    }
  }

  private static void allowNull(Schema<?> schema, String property) {
    Schema<?> field = (Schema<?>) schema.getProperties().get(property);
    if (field.get$ref() != null) {
      Schema<?> either = new Schema<>();
      either.addOneOfItem(new Schema<>().$ref(field.get$ref()));
      Schema<?> nothing = new Schema<>();
      nothing.setTypes(Set.of("null"));
      either.addOneOfItem(nothing);
      schema.getProperties().put(property, either);
      return;
    }
    Set<String> types = new LinkedHashSet<>(field.getTypes());
    types.add("null");
    field.setTypes(types);
  }
}
