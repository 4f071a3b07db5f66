package paringknife.server.specs;

import java.util.List;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.server.web.BodyRules;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Delivery specs as one JSON file; {@code docs/delivery-specs.schema.json} is its schema.
 *
 * @param version of the format
 */
public record SpecFile(int version, List<DeliverySpec> specs) {
  static final int PRESENT_VERSION = 1;

  /** So many specs of one's own can be had. */
  static final int MOST = 200;

  private static final JsonMapper JSON = JsonMapper.builder().build();

  public SpecFile {
    if (version != PRESENT_VERSION) {
      throw new IllegalArgumentException(
          "This file is of version " + version + "; this program reads version 1.");
    }
    if (specs != null && specs.size() > MOST) {
      throw new IllegalArgumentException("Up to " + MOST + " specs can be taken at once.");
    }
  }

  static SpecFile of(List<DeliverySpec> specs) {
    return new SpecFile(PRESENT_VERSION, specs);
  }

  String write() {
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(this);
  }

  /**
   * The shipped specs and those of a file.
   *
   * @param name of the file, for telling
   * @throws IllegalArgumentException when it is none, with a word about what is wrong
   */
  public static DeliverySpecs withShipped(String text, String name) {
    SpecFile file = read(text, name);
    for (DeliverySpec spec : file.specs()) {
      if (DeliverySpecs.SHIPPED.find(spec.id()).isPresent()) {
        throw new IllegalArgumentException(
            name + ": " + spec.id() + " is a spec that ships; give this one another id.");
      }
    }
    return DeliverySpecs.SHIPPED.and(file.specs());
  }

  private static SpecFile read(String text, String name) {
    try {
      SpecFile file = JSON.readValue(text, SpecFile.class);
      BodyRules.check(file);
      return file;
    } catch (JacksonException e) {
      Throwable cause = e.getCause();
      String why = cause instanceof IllegalArgumentException ? ": " + cause.getMessage() : ".";
      throw new IllegalArgumentException(name + " is no file of delivery specs" + why);
    } catch (BodyRules.BadBody e) {
      throw new IllegalArgumentException(name + " is no file of delivery specs: " + e.getMessage());
    }
  }
}
