package paringknife.server.clips;

import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.ClipDelta;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.cut.Gap;
import paringknife.core.clip.cut.Removal;
import paringknife.core.deliver.Delivered;
import paringknife.core.dress.LaidOver;
import paringknife.core.frame.Shape;
import paringknife.core.letter.Lettered;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.listen.clean.Sounded;
import paringknife.core.pare.Pared;
import paringknife.core.pare.ParedDelta;
import paringknife.core.time.Span;
import paringknife.server.database.StepFormat;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Clips and their steps as they are stored, in JSON. What an older schema wrote is brought up to
 * the present one when it is read, never refused; what is written is of the present one.
 */
public final class ClipFormat implements StepFormat<ClipDocument, ClipDelta> {
  private final JsonMapper json;

  public ClipFormat(JsonMapper json) {
    this.json = json;
  }

  @Override
  public String write(ClipDocument document) {
    return json.writeValueAsString(document);
  }

  @Override
  public ClipDocument document(String text) {
    JsonNode node = json.readTree(text);
    return switch (node.path("schema").asInt(1)) {
      case 1 -> first(node);
      case 2, 3 -> second((ObjectNode) node);
      default -> json.treeToValue(node, ClipDocument.class);
    };
  }

  private ClipDocument second(ObjectNode node) {
    EarlierFraming.bringUp(node, "framed", json);
    return json.treeToValue(node.put("schema", ClipDocument.SCHEMA), ClipDocument.class);
  }

  @Override
  public String writeDelta(ClipDelta delta) {
    return json.writeValueAsString(delta);
  }

  @Override
  public ClipDelta delta(String text) {
    JsonNode node = json.readTree(text);
    if (node.has("nextIdBefore")) {
      return firstDelta(node);
    }
    if (node.path("framed") instanceof ObjectNode framed) {
      EarlierFraming.bringUp(framed, "was", json);
      EarlierFraming.bringUp(framed, "is", json);
    }
    return json.treeToValue(node, ClipDelta.class);
  }

  /** Schema 1 kept everything but the removals in one flat record of settings. */
  private ClipDocument first(JsonNode node) {
    FlatSettings settings = settings(node.path("settings"));
    Pared pared = settings.pared(removals(node.path("removals")), next(node, "nextRemovalId"));
    return settings.document(pared);
  }

  private FlatSettings settings(JsonNode node) {
    return json.treeToValue(node, FlatSettings.class);
  }

  private List<Removal> removals(JsonNode node) {
    return node.isArray()
        ? json.treeToValue(node, new TypeReference<List<Removal>>() {})
        : List.of();
  }

  private static long next(JsonNode node, String name) {
    return Math.max(1, node.path(name).asLong(1));
  }

  private ClipDelta firstDelta(JsonNode node) {
    boolean settled = !node.hasNonNull("before");
    FlatSettings was = settled ? null : settings(node.path("before"));
    FlatSettings is = settled ? null : settings(node.path("after"));
    List<Removal> taken = removals(node.path("taken"));
    List<Removal> added = removals(node.path("added"));
    long before = next(node, "nextIdBefore");
    long after = next(node, "nextIdAfter");
    if (was == null || is == null) {
      ParedDelta removalsOnly =
          new ParedDelta(
              ParedDelta.Rest.unchanged(before), ParedDelta.Rest.unchanged(after), taken, added);
      return new ClipDelta(removalsOnly, null, null, null, null, null);
    }
    ClipDocument from = was.document(was.pared(List.of(), before));
    ClipDocument to = is.document(is.pared(List.of(), after));
    ClipDelta sections = ClipDelta.between(from, to);
    ParedDelta rest = ParedDelta.between(from.pared(), to.pared());
    ParedDelta pared = new ParedDelta(rest.was(), rest.is(), taken, added);
    return new ClipDelta(
        pared,
        sections.framed(),
        sections.lettered(),
        null,
        sections.sounded(),
        sections.delivered());
  }

  /** The settings of schema 1; those that came later are missing in older ones. */
  private record FlatSettings(
      String title,
      List<Span> stretches,
      String shape,
      EarlierFraming framing,
      String lettering,
      List<String> specs,
      @Nullable Double speed,
      @Nullable List<Gap> gaps,
      @Nullable Cleanup cleanup) {
    Pared pared(List<Removal> removals, long nextId) {
      double plays = speed == null || speed == 0 ? 1 : speed;
      return new Pared(stretches, removals, gaps == null ? List.of() : gaps, plays, nextId);
    }

    ClipDocument document(Pared pared) {
      return new ClipDocument(
          ClipDocument.SCHEMA,
          pared,
          framing.in(Shape.parse(shape)),
          Lettered.in(lettering),
          LaidOver.NOTHING,
          new Sounded(cleanup == null ? Cleanup.NONE : cleanup),
          new Delivered(title, specs));
    }
  }
}
