package paringknife.server.clips;

import paringknife.core.frame.Framed;
import paringknife.core.frame.Layout;
import paringknife.core.frame.Shape;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Framing as schemas 1 and 2 kept it: whoever speaks, one person, or the middle; all else was as it
 * is where nothing is said.
 */
record EarlierFraming(String mode, int person) {
  Framed in(Shape shape) {
    Layout layout =
        switch (mode) {
          case "PERSON" -> new Layout.One(person);
          case "MIDDLE" -> new Layout.Middle();
          default -> Layout.SPEAKER;
        };
    return Framed.of(shape, layout);
  }

  /**
   * Puts the section that has one as the present schema keeps it; schema 3 knew one camera only.
   */
  static void bringUp(ObjectNode holder, String section, JsonMapper json) {
    JsonNode framed = holder.path(section);
    if (framed.has("framing")) {
      Shape shape = json.treeToValue(framed.path("shape"), Shape.class);
      EarlierFraming framing = json.treeToValue(framed.path("framing"), EarlierFraming.class);
      holder.set(section, json.valueToTree(framing.in(shape)));
    } else if (framed instanceof ObjectNode third && !framed.has("cameras")) {
      third.putArray("cameras");
    }
  }
}
